<script setup lang="ts">
// Who did what that matters to trust, newest first, for owners.
import { endpoints, ofStored } from '@yastik/core/wire'
import { usePages } from '../api/useServer.ts'
import FaultNote from '../kit/FaultNote.vue'
import HousePages from '../components/HousePages.vue'
import { stateInWords } from '../components/trust.ts'
import { useJob } from '../stores/job.ts'
import Tap from '../kit/Tap.vue'
import Ledger from '../kit/Ledger.vue'
import { say, t } from '../words/words.ts'
import { secondWords } from '../words/when.ts'

useJob().close()
const { entries, error, hasMore, more, ready } = usePages(endpoints.audit)
await ready()
const columns = [
  { key: 'at', says: t('screen.house.when'), oneLine: true },
  { key: 'by', says: t('screen.house.who'), oneLine: true },
  { key: 'what', says: t('screen.house.what') },
  { key: 'from', says: t('screen.house.from') },
]
const moment = (at: string) => secondWords(at)
</script>

<template>
  <div class="page stack">
    <div class="spread">
      <h1>{{ t('screen.house.did') }}</h1>
      <HousePages />
    </div>
    <div class="row">
      <Tap :href="endpoints.auditTable.path" download>{{ t('screen.house.all-table') }}</Tap>
      <small>{{ t('screen.house.sign-ins-failures-taken-out') }}</small>
    </div>
    <FaultNote :error="error" />
    <Ledger
      data-audit
      :title="t('screen.house.did')"
      :rows="entries"
      :columns="columns"
      :row-key="({ id }) => id"
      :row-attrs="({ what }) => ({ 'data-audit-what': what })"
      :empty="error ? '' : t('screen.house.nothing-record-yet')"
    >
      <template #at="{ row }">{{ moment(row.at) }}</template>
      <template #by="{ row }">{{ row.by || t('screen.house.server-itself') }}</template>
      <template #what="{ row }">
        {{ t(`screen.house.audit.${row.what}`) }}<template v-if="row.about">: {{ say(ofStored(row.about)) }}</template>
        <small v-if="row.before && Object.keys(row.before).length > 0">{{ t('screen.house.before', { before: stateInWords(row.before) }) }}</small>
        <small v-if="row.after && Object.keys(row.after).length > 0">{{ t('screen.house.after', { after: stateInWords(row.after) }) }}</small>
      </template>
    </Ledger>
    <div v-if="hasMore" class="row">
      <Tap data-more @click="more">{{ t('screen.house.older') }}</Tap>
    </div>
  </div>
</template>

<style scoped>
small {
  display: block;
  overflow-wrap: anywhere;
}
</style>
