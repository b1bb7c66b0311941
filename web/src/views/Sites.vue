<script setup lang="ts">
// All sites of the firm with their units.
import type { SiteRecord } from '@yastik/core'
import { ElInput } from 'element-plus/es/components/input/index'
import 'element-plus/theme-chalk/el-input.css'
import dayjs from 'dayjs'
import { computed, ref } from 'vue'
import { RouterLink } from 'vue-router'
import { ask } from '../api/client.ts'
import FaultNote from '../components/FaultNote.vue'
import { useSession } from '../stores/session.ts'

const session = useSession()
const isOwner = computed(() => session.me?.role === 'owner')
const sites = ref<SiteRecord[]>([])
const error = ref<unknown>()
const wanted = ref('')
try {
  sites.value = await ask('GET', '/api/sites')
} catch (caught) {
  error.value = caught
}
const shown = computed(() => {
  const word = wanted.value.trim().toLowerCase()
  return sites.value.filter(({ site, address, units }) =>
    [site.name, address, ...units.map(({ name }) => name)].some((text) => text.toLowerCase().includes(word)),
  )
})
const lastOf = ({ units }: SiteRecord) =>
  units
    .map(({ lastCleanedAt }) => lastCleanedAt ?? '')
    .sort()
    .at(-1)
</script>

<template>
  <div class="page stack">
    <div class="spread">
      <h1>Sites</h1>
      <div class="row">
        <RouterLink v-if="isOwner" to="/quotes" class="tap" data-to-quotes>Quotes</RouterLink>
        <RouterLink to="/data" class="tap">Data, out and in</RouterLink>
        <RouterLink to="/sites/new" class="tap">New site</RouterLink>
      </div>
    </div>
    <FaultNote :error="error" />
    <label class="field find"><span>Find by site, address or unit</span><ElInput v-model="wanted" name="find" clearable /></label>
    <table class="ledger">
      <thead>
        <tr>
          <th>Site</th>
          <th>Setting</th>
          <th>Units</th>
          <th class="number">Last cleaned</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="site in shown" :key="site.id">
          <td>
            <RouterLink :to="`/sites/${site.id}`"
              ><b>{{ site.site.name }}</b></RouterLink
            ><br /><small>{{ site.address }}</small>
          </td>
          <td>
            {{ site.site.setting.replace('-', ' ') }}<br /><small>{{ site.site.surroundings?.join(', ').replaceAll('-', ' ') }}</small>
          </td>
          <td>
            {{ site.units.length }}<br /><small>{{ site.units.map(({ name }) => name).join(', ') }}</small>
          </td>
          <td class="number">{{ lastOf(site) ? dayjs(lastOf(site)).format('D MMM YYYY') : 'never' }}</td>
        </tr>
      </tbody>
    </table>
    <p v-if="!error && shown.length === 0">{{ sites.length === 0 ? 'No sites yet: make the first one.' : 'No site matches.' }}</p>
  </div>
</template>

<style scoped>
.find {
  max-width: 28rem;
}
</style>
