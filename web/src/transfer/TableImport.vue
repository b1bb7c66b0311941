<script setup lang="ts">
// Sites and units from a table: which column is which, the first rows, what is wrong row by row; nothing is taken in before a person says so.
import { endpoints, neededColumns, siteTableColumns, type SiteImportReceipt } from '@yastik/core/wire'
import { computed, onBeforeUnmount, ref, shallowRef, watch } from 'vue'
import { askByLines } from '../api/client.ts'
import FaultNote from '../components/FaultNote.vue'
import FileTap from '../components/FileTap.vue'
import type { TableAnswer, TableAsked, TableOpened, TableRead } from './table.worker.ts'

defineProps<{ /** Whether this person may take the table of what there is out. */ mayTakeOut: boolean }>()

const worker = new Worker(new URL('./table.worker.ts', import.meta.url), { type: 'module' })
onBeforeUnmount(() => worker.terminate())
let asking = 0
const busy = ref('')
const opened = shallowRef<TableOpened>()
const mapping = ref<(string | undefined)[]>([])
const read = shallowRef<TableRead>()
const setAside = ref(false)
const error = ref<unknown>()
const receipt = shallowRef<SiteImportReceipt>()

worker.onmessage = ({ data }: MessageEvent<TableAnswer>) => {
  if (data.asking !== asking) return
  busy.value = ''
  if ('failed' in data) error.value = new Error(data.failed)
  else if ('headings' in data) {
    opened.value = data
    mapping.value = [...data.mapping]
  } else read.value = data
}
function send(asked: { file: Blob } | { mapping: (string | undefined)[] }) {
  worker.postMessage({ asking: ++asking, ...asked } satisfies TableAsked)
}
function open([file]: File[]) {
  ;[error.value, opened.value, read.value, receipt.value, setAside.value] = [undefined, undefined, undefined, undefined, false]
  busy.value = 'Reading the table …'
  send({ file })
}
const missing = computed(() => neededColumns.filter((name) => !mapping.value.includes(name)))
const twice = computed(() => mapping.value.filter((name, at) => name !== undefined && mapping.value.indexOf(name) !== at))
watch(
  mapping,
  (names) => {
    read.value = undefined
    if (!opened.value || missing.value.length > 0 || twice.value.length > 0) return
    busy.value = `Looking through ${opened.value.rows} rows …`
    send({ mapping: [...names] })
  },
  { deep: true },
)
const ready = computed(() => read.value && read.value.sites.length > 0 && (read.value.faultyRows === 0 || setAside.value))
const delimiterNames: Record<string, string> = { ',': 'commas', ';': 'semicolons', '\t': 'tabs', '|': 'bars' }

async function take() {
  if (!read.value) return
  error.value = undefined
  busy.value = `Taking in ${read.value.sites.length} sites …`
  try {
    await askByLines(endpoints.takeSites, { body: { sites: read.value.sites } }, (line) => {
      if ('receipt' in line) receipt.value = line.receipt
      else if ('rows' in line) busy.value = `Taking in: ${line.rows} of ${line.of} written …`
    })
    ;[opened.value, read.value] = [undefined, undefined]
  } catch (caught) {
    error.value = caught
  } finally {
    busy.value = ''
  }
}
</script>

<template>
  <section class="stack" data-table-import>
    <h2>Sites and units from a table</h2>
    <p class="small">
      CSV with one row per unit. Headings as in
      <a v-if="mayTakeOut" :href="endpoints.sitesTable.path" download>the table of what you have</a>
      <template v-else>the table that the owner can take out</template> are known by themselves; others you choose below.
    </p>
    <FileTap name="table" accept=".csv,.txt,.tsv,text/csv" :disabled="busy !== ''" @files="open">Choose a table</FileTap>
    <p v-if="busy" role="status">{{ busy }}</p>
    <FaultNote :error="error" />
    <p v-if="receipt" role="status" data-taken-in>
      <b>{{ receipt.sites }} sites with {{ receipt.units }} units were taken in.</b>
    </p>
    <template v-if="opened">
      <p data-dialect>
        {{ opened.rows }} rows, {{ delimiterNames[opened.delimiter] ?? opened.delimiter }} between the cells, letters in {{ opened.encoding }}.
      </p>
      <div class="scroll">
        <table class="ledger">
          <thead>
            <tr>
              <th v-for="(heading, at) in opened.headings" :key="at">
                {{ heading || '(no heading)' }}
                <select v-model="mapping[at]" :aria-label="`What ${heading} is`" :data-column="heading">
                  <option :value="undefined">left aside</option>
                  <option v-for="column in siteTableColumns" :key="column.name" :value="column.name">{{ column.name }}</option>
                </select>
              </th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="(row, index) in opened.first" :key="index">
              <td v-for="(_, at) in opened.headings" :key="at" :class="{ aside: !mapping[at] }">{{ row[at] }}</td>
            </tr>
          </tbody>
        </table>
      </div>
      <p v-if="missing.length > 0" role="alert">Still to be named: {{ missing.join(', ') }}.</p>
      <p v-if="twice.length > 0" role="alert">Named twice: {{ twice.join(', ') }}.</p>
      <template v-if="read">
        <div v-if="read.faultyRows > 0" class="stack" data-row-faults>
          <p>
            <b>{{ read.faultyRows }} {{ read.faultyRows === 1 ? 'row does' : 'rows do' }} not hold up.</b> Mend them in the table and choose it again,
            or set them aside.
          </p>
          <ul class="faults">
            <li v-for="fault in read.faults" :key="`${fault.row} ${fault.where} ${fault.what}`">
              row {{ fault.row }}, <b>{{ fault.where }}</b>: {{ fault.what }}. Allowed: {{ fault.allowed }}
            </li>
          </ul>
          <label class="row"><input v-model="setAside" type="checkbox" name="set-aside" /> set these rows aside and take the others</label>
        </div>
        <button class="tap now big" :disabled="!ready || busy !== ''" data-take-in @click="take">
          Take in {{ read.sites.length }} sites with {{ read.units }} units
        </button>
      </template>
    </template>
  </section>
</template>

<style scoped>
.scroll {
  overflow-x: auto;
}
th select {
  display: block;
  min-height: 44px;
  max-width: 11rem;
  background: var(--paper);
  color: var(--ink);
  border: var(--rule-width) solid var(--ink);
}
.aside {
  color: var(--ink-soft);
  text-decoration: line-through;
}
.faults {
  max-height: 16rem;
  overflow-y: auto;
  margin: 0;
  padding-left: 1.2rem;
}
</style>
