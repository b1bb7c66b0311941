<script setup lang="ts">
// All sites of the firm with their units.
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
import { t } from '../words/words.ts'
import { dayWords } from '../words/when.ts'

const session = useSession()
const isOwner = computed(() => session.me?.role === 'owner')
const wanted = ref('')
const side = ref<'in-use' | 'retired'>('in-use')
const sides = [
  { value: 'in-use' as const, says: t('screen.sites.use') },
  { value: 'retired' as const, says: t('screen.sites.retired-ones') },
]
const { entries, error, hasMore, more, ready } = usePages(endpoints.sites, () => ({
  find: wanted.value.trim() || undefined,
  retired: side.value === 'retired' ? 'true' : undefined,
}))
const empty = computed(() => {
  if (error.value) return ''
  if (wanted.value.trim() !== '') return t('screen.sites.no-site-matches')
  return side.value === 'retired' ? t('screen.sites.no-site-retired') : t('screen.sites.no-sites-yet-make-first')
})
/** The first of many; the rest is a count. */
const fewNames = 6
const unitWords = (names: readonly string[]) =>
  names.length > fewNames ? t('screen.sites.more', { names: names.slice(0, fewNames).join(', '), names2: names.length - fewNames }) : names.join(', ')
const columns: Column<SitePage['entries'][number]>[] = [
  { key: 'name', says: t('screen.sites.site') },
  { key: 'setting', says: t('screen.sites.setting') },
  { key: 'units', says: t('screen.frame.units') },
  { key: 'last', says: t('screen.sites.last-cleaned'), number: true },
]
await ready()
</script>

<template>
  <div class="page stack">
    <div class="spread">
      <h1>{{ t('screen.frame.sites') }}</h1>
      <div class="row">
        <Tap v-if="isOwner" to="/quotes" data-to-quotes>{{ t('screen.sites.quotes') }}</Tap>
        <Tap to="/data">{{ t('screen.sites.data-out') }}</Tap>
        <Tap to="/sites/new">{{ t('screen.sites.new-site') }}</Tap>
      </div>
    </div>
    <FaultNote :error="error" />
    <div class="row">
      <Field :label="t('screen.sites.find-site-address-unit')" class="find"><TextField v-model="wanted" name="find" clearable /></Field>
      <Choice v-model="side" :label="t('screen.sites.sites')" mark="which-sites" :options="sides" class="which" />
    </div>
    <Ledger :title="t('screen.frame.sites')" :rows="entries" :columns="columns" :row-key="({ id }) => id" :empty="empty">
      <template #name="{ row }">
        <RouterLink :to="`/sites/${row.id}`"
          ><b>{{ row.name }}</b></RouterLink
        ><br /><small>{{ row.address }}</small>
      </template>
      <template #setting="{ row }">
        {{ t(`screen.sites.setting.${row.setting}`) }}<br /><small>{{
          row.surroundings.map((kind) => t(`names.surroundings.${kind}`)).join(', ')
        }}</small>
      </template>
      <template #units="{ row }">
        {{ row.units.length }}<br /><small>{{ unitWords(row.units) }}</small>
      </template>
      <template #last="{ row }">{{ row.lastCleanedAt ? dayWords(row.lastCleanedAt) : t('screen.sites.never') }}</template>
    </Ledger>
    <Tap v-if="hasMore" @click="more">{{ t('screen.sites.more-sites') }}</Tap>
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
