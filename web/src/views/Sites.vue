<script setup lang="ts">
// All sites of the firm with their units.
import { endpoints, type SitePage } from '@yastik/core/wire'
import { ElInput } from 'element-plus/es/components/input/index'
import 'element-plus/theme-chalk/el-input.css'
import dayjs from 'dayjs'
import { computed, ref, watch } from 'vue'
import { RouterLink } from 'vue-router'
import { ask } from '../api/client.ts'
import FaultNote from '../components/FaultNote.vue'
import { useSession } from '../stores/session.ts'

const session = useSession()
const isOwner = computed(() => session.me?.role === 'owner')
const entries = ref<SitePage['entries']>([])
const next = ref<string | null>(null)
const error = ref<unknown>()
const wanted = ref('')
/** The newest question counts: answers may overtake each other. */
let asked = 0

async function load(after?: string) {
  const asking = ++asked
  error.value = undefined
  try {
    const find = wanted.value.trim()
    const page = await ask(endpoints.sites, { query: { find: find === '' ? undefined : find, after } })
    if (asking !== asked) return
    entries.value = after === undefined ? page.entries : [...entries.value, ...page.entries]
    next.value = page.next
  } catch (caught) {
    error.value = caught
  }
}
await load()
watch(wanted, () => load())
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
        <tr v-for="site in entries" :key="site.id">
          <td>
            <RouterLink :to="`/sites/${site.id}`"
              ><b>{{ site.name }}</b></RouterLink
            ><br /><small>{{ site.address }}</small>
          </td>
          <td>
            {{ site.setting.replace('-', ' ') }}<br /><small>{{ site.surroundings.join(', ').replaceAll('-', ' ') }}</small>
          </td>
          <td>
            {{ site.units.length }}<br /><small>{{ site.units.join(', ') }}</small>
          </td>
          <td class="number">{{ site.lastCleanedAt ? dayjs(site.lastCleanedAt).format('D MMM YYYY') : 'never' }}</td>
        </tr>
      </tbody>
    </table>
    <button v-if="next" class="tap" @click="load(next)">More sites</button>
    <p v-if="!error && entries.length === 0">{{ wanted.trim() === '' ? 'No sites yet: make the first one.' : 'No site matches.' }}</p>
  </div>
</template>

<style scoped>
.find {
  max-width: 28rem;
}
</style>
