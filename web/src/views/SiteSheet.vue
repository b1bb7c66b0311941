<script setup lang="ts">
// One site: its particulars, its units, and the next visit.
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
import { t } from '../words/words.ts'
import { dayWords } from '../words/when.ts'

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
    <p>
      <RouterLink to="/sites">{{ t('screen.frame.sites') }}</RouterLink>
    </p>
    <h1>{{ record?.site.name ?? t('screen.sites.new-site') }}</h1>
    <FaultNote :error="error ?? doing.error.value" />
    <Notice v-if="record?.retiredAt" kind="now" data-site-retired>
      <p>
        <b>{{ t('screen.sites.site-retired-since', { retiredAt: dayWords(record.retiredAt) }) }}</b>
        {{ t('screen.sites.nobody-sent-here-nothing-falls') }}
        <Tap small data-site-in-use @click="retire(false)">{{ t('screen.sites.take-into-use-again') }}</Tap>
      </p>
    </Notice>
    <SiteUnits v-if="record" :site="record" :may-quote="isOwner" @changed="reload" />
    <Later v-if="record || !siteId"><SiteParticulars :site="record" @saved="saved" @reload="reload" /></Later>
    <section v-if="record && !record.retiredAt" class="stack ruled-top">
      <h2>{{ t('screen.sites.no-longer-customer') }}</h2>
      <p class="small">{{ t('screen.sites.retired-site-stays-all-done') }}</p>
      <p>
        <Tap data-retire-site :disabled="doing.busy.value" @click="retire(true)">{{ t('screen.sites.retire-site') }}</Tap>
      </p>
    </section>
    <Later v-if="isOwner && record"><CustomerData :site="record" @erased="reload" /></Later>
  </div>
</template>
