<script setup lang="ts">
// One site: its particulars, its units, and the next visit.
import { dayWords } from '@yastik/core/quantities'
import { endpoints, type SiteRecord } from '@yastik/core/wire'
import { computed, watch } from 'vue'
import { RouterLink, useRouter } from 'vue-router'
import { ask } from '../api/client.ts'
import { useAsked, useDoing } from '../api/useServer.ts'
import CustomerData from '../components/CustomerData.vue'
import SiteParticulars from '../components/SiteParticulars.vue'
import SiteUnits from '../components/SiteUnits.vue'
import { noteRecent } from '../find/recent.ts'
import Later from '../kit/Later.vue'
import FaultNote from '../kit/FaultNote.vue'
import Notice from '../kit/Notice.vue'
import Tap from '../kit/Tap.vue'
import { useSession } from '../stores/session.ts'

const props = defineProps<{ siteId?: string }>()
const router = useRouter()
const session = useSession()
const isOwner = computed(() => session.me?.role === 'owner')
const asked = useAsked(endpoints.site, () => (props.siteId ? { params: { id: props.siteId } } : undefined))
const record = computed(() => (props.siteId ? asked.said.value : undefined))
const { error, reload } = asked
await asked.ready()
watch(record, (site) => site && noteRecent({ to: `/sites/${site.id}`, says: site.site.name, where: site.address }), { immediate: true })
const doing = useDoing()
const retire = (retired: boolean) =>
  doing.run(async () => {
    if (props.siteId) asked.set(await ask(endpoints.retireSite, { params: { id: props.siteId }, body: { retired } }))
  })
async function saved(site: SiteRecord) {
  if (props.siteId) asked.set(site)
  else await router.replace(`/sites/${site.id}`)
}
</script>

<template>
  <div class="page stack">
    <p><RouterLink to="/sites">Sites</RouterLink></p>
    <h1>{{ record?.site.name ?? 'New site' }}</h1>
    <FaultNote :error="error ?? doing.error.value" />
    <Notice v-if="record?.retiredAt" kind="now" data-site-retired>
      <p>
        <b>This site is retired since {{ dayWords(record.retiredAt) }}:</b> nobody is sent here, and nothing falls due. Its logbook stays.
        <Tap small data-site-in-use @click="retire(false)">Take it into use again</Tap>
      </p>
    </Notice>
    <SiteUnits v-if="record" :site="record" :may-quote="isOwner" @changed="reload" />
    <Later v-if="record || !siteId"><SiteParticulars :site="record" @saved="saved" @reload="reload" /></Later>
    <section v-if="record && !record.retiredAt" class="stack ruled-top">
      <h2>No longer a customer</h2>
      <p class="small">A retired site stays with all that was done there; it can be taken into use again at any time.</p>
      <p><Tap data-retire-site :disabled="doing.busy.value" @click="retire(true)">Retire this site</Tap></p>
    </section>
    <Later v-if="isOwner && record"><CustomerData :site="record" @erased="reload" /></Later>
  </div>
</template>
