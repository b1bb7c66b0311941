<script setup lang="ts">
// One site: its particulars, its units, and the next visit.
import { endpoints, type SiteRecord } from '@yastik/core/wire'
import { computed, watch } from 'vue'
import { RouterLink, useRouter } from 'vue-router'
import { useAsked } from '../api/useServer.ts'
import CustomerData from '../components/CustomerData.vue'
import SiteParticulars from '../components/SiteParticulars.vue'
import SiteUnits from '../components/SiteUnits.vue'
import { noteRecent } from '../find/recent.ts'
import Later from '../kit/Later.vue'
import FaultNote from '../kit/FaultNote.vue'
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
async function saved(site: SiteRecord) {
  if (props.siteId) asked.set(site)
  else await router.replace(`/sites/${site.id}`)
}
</script>

<template>
  <div class="page stack">
    <p><RouterLink to="/sites">Sites</RouterLink></p>
    <h1>{{ record?.site.name ?? 'New site' }}</h1>
    <FaultNote :error="error" />
    <SiteUnits v-if="record" :site="record" :may-quote="isOwner" @changed="reload" />
    <Later v-if="record || !siteId"><SiteParticulars :site="record" @saved="saved" @reload="reload" /></Later>
    <Later v-if="isOwner && record"><CustomerData :site="record" @erased="reload" /></Later>
  </div>
</template>
