<script setup lang="ts">
// One site: its particulars, its units, and the next visit.
import { endpoints, type SiteRecord } from '@yastik/core/wire'
import { computed, ref, watch } from 'vue'
import { RouterLink, useRouter } from 'vue-router'
import { ask } from '../api/client.ts'
import CustomerData from '../components/CustomerData.vue'
import SiteParticulars from '../components/SiteParticulars.vue'
import SiteUnits from '../components/SiteUnits.vue'
import FaultNote from '../kit/FaultNote.vue'
import { useSession } from '../stores/session.ts'

const props = defineProps<{ siteId?: string }>()
const router = useRouter()
const session = useSession()
const isOwner = computed(() => session.me?.role === 'owner')
const record = ref<SiteRecord>()
const error = ref<unknown>()

async function load() {
  error.value = undefined
  try {
    record.value = props.siteId ? await ask(endpoints.site, { params: { id: props.siteId } }) : undefined
  } catch (caught) {
    error.value = caught
  }
}
await load()
watch(() => props.siteId, load)
async function saved(site: SiteRecord) {
  if (props.siteId) record.value = site
  else await router.replace(`/sites/${site.id}`)
}
</script>

<template>
  <div class="page stack">
    <p><RouterLink to="/sites">Sites</RouterLink></p>
    <h1>{{ record?.site.name ?? 'New site' }}</h1>
    <FaultNote :error="error" />
    <SiteUnits v-if="record" :site="record" :may-quote="isOwner" @changed="load" />
    <SiteParticulars v-if="record || !siteId" :site="record" @saved="saved" @reload="load" />
    <CustomerData v-if="isOwner && record" :site="record" @erased="load" />
  </div>
</template>
