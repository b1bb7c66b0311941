<script setup lang="ts">
// All sites of the firm with their units.
import { dayWords } from '@yastik/core/quantities'
import { endpoints, type SitePage } from '@yastik/core/wire'
import { computed, ref } from 'vue'
import { RouterLink } from 'vue-router'
import { usePages } from '../api/useServer.ts'
import type { Column } from '../kit/column.ts'
import FaultNote from '../kit/FaultNote.vue'
import { useSession } from '../stores/session.ts'
import Tap from '../kit/Tap.vue'
import Choice from '../kit/Choice.vue'
import Field from '../kit/Field.vue'
import TextField from '../kit/TextField.vue'
import Ledger from '../kit/Ledger.vue'

const session = useSession()
const isOwner = computed(() => session.me?.role === 'owner')
const wanted = ref('')
const side = ref<'in-use' | 'retired'>('in-use')
const sides = [
  { value: 'in-use' as const, says: 'in use' },
  { value: 'retired' as const, says: 'retired' },
]
const { entries, error, hasMore, more, ready } = usePages(endpoints.sites, () => ({
  find: wanted.value.trim() || undefined,
  retired: side.value === 'retired' ? 'true' : undefined,
}))
const empty = computed(() => {
  if (error.value) return ''
  if (wanted.value.trim() !== '') return 'No site matches.'
  return side.value === 'retired' ? 'No site is retired.' : 'No sites yet: make the first one.'
})
/** The first of many; the rest is a count. */
const fewNames = 6
const unitWords = (names: readonly string[]) =>
  names.length > fewNames ? `${names.slice(0, fewNames).join(', ')} and ${names.length - fewNames} more` : names.join(', ')
const columns: Column<SitePage['entries'][number]>[] = [
  { key: 'name', says: 'Site' },
  { key: 'setting', says: 'Setting' },
  { key: 'units', says: 'Units' },
  { key: 'last', says: 'Last cleaned', number: true },
]
await ready()
</script>

<template>
  <div class="page stack">
    <div class="spread">
      <h1>Sites</h1>
      <div class="row">
        <Tap v-if="isOwner" to="/quotes" data-to-quotes>Quotes</Tap>
        <Tap to="/data">Data, out and in</Tap>
        <Tap to="/sites/new">New site</Tap>
      </div>
    </div>
    <FaultNote :error="error" />
    <div class="row">
      <Field label="Find by site, address or unit" class="find"><TextField v-model="wanted" name="find" clearable /></Field>
      <Choice v-model="side" label="Which sites" mark="which-sites" :options="sides" class="which" />
    </div>
    <Ledger title="Sites" :rows="entries" :columns="columns" :row-key="({ id }) => id" :empty="empty">
      <template #name="{ row }">
        <RouterLink :to="`/sites/${row.id}`"
          ><b>{{ row.name }}</b></RouterLink
        ><br /><small>{{ row.address }}</small>
      </template>
      <template #setting="{ row }">
        {{ row.setting.replace('-', ' ') }}<br /><small>{{ row.surroundings.join(', ').replaceAll('-', ' ') }}</small>
      </template>
      <template #units="{ row }">
        {{ row.units.length }}<br /><small>{{ unitWords(row.units) }}</small>
      </template>
      <template #last="{ row }">{{ row.lastCleanedAt ? dayWords(row.lastCleanedAt) : 'never' }}</template>
    </Ledger>
    <Tap v-if="hasMore" @click="more">More sites</Tap>
  </div>
</template>

<style scoped>
.find {
  flex: 0 1 28rem;
}
.which {
  align-self: flex-end;
}
</style>
