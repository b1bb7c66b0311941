<script setup lang="ts">
// Who did what that matters to trust, newest first, for owners.
import { endpoints } from '@yastik/core/wire'
import dayjs from 'dayjs'
import { usePages } from '../api/useServer.ts'
import FaultNote from '../kit/FaultNote.vue'
import HousePages from '../components/HousePages.vue'
import { auditWords, stateInWords } from '../components/trust.ts'
import { useJob } from '../stores/job.ts'
import Tap from '../kit/Tap.vue'
import Ledger from '../kit/Ledger.vue'

useJob().close()
const { entries, error, hasMore, more, ready } = usePages(endpoints.audit)
await ready()
const columns = [
  { key: 'at', says: 'When', oneLine: true },
  { key: 'by', says: 'Who', oneLine: true },
  { key: 'what', says: 'What' },
  { key: 'from', says: 'From' },
]
const moment = (at: string) => dayjs(at).format('D MMM YYYY, HH:mm:ss')
</script>

<template>
  <div class="page stack">
    <div class="spread">
      <h1>Who did what</h1>
      <HousePages />
    </div>
    <div class="row">
      <Tap :href="endpoints.auditTable.path" download>All of it as a table</Tap>
      <small>Sign-ins and failures, what was taken out or in, what a role turned down, changes of people, prices, labels and rules.</small>
    </div>
    <FaultNote :error="error" />
    <Ledger
      data-audit
      title="Who did what"
      :rows="entries"
      :columns="columns"
      :row-key="({ id }) => id"
      :row-attrs="({ what }) => ({ 'data-audit-what': what })"
      :empty="error ? '' : 'Nothing is on record yet.'"
    >
      <template #at="{ row }">{{ moment(row.at) }}</template>
      <template #by="{ row }">{{ row.by || 'the server itself' }}</template>
      <template #what="{ row }">
        {{ auditWords[row.what] }}<template v-if="row.about">: {{ row.about }}</template>
        <small v-if="row.before && Object.keys(row.before).length > 0">before: {{ stateInWords(row.before) }}</small>
        <small v-if="row.after && Object.keys(row.after).length > 0">after: {{ stateInWords(row.after) }}</small>
      </template>
    </Ledger>
    <div v-if="hasMore" class="row"><Tap data-more @click="more">Older</Tap></div>
  </div>
</template>

<style scoped>
small {
  display: block;
  overflow-wrap: anywhere;
}
</style>
