<script setup lang="ts">
// Sites and units from a table: which column is which, the first rows, what is wrong row by row; nothing is taken in before a person says so.
import { counted } from '@yastik/core/quantities'
import { endpoints, neededColumns, siteTableColumns, usualSite, type SiteImportReceipt } from '@yastik/core/wire'
import { computed, onBeforeUnmount, ref, shallowRef, watch } from 'vue'
import { askByLines } from '../api/client.ts'
import FaultNote from '../kit/FaultNote.vue'
import FileTap from '../kit/FileTap.vue'
import type { TableAnswer, TableAsked, TableOpened, TableRead } from './table.worker.ts'
import Tap from '../kit/Tap.vue'
import Ledger from '../kit/Ledger.vue'
import Pick from '../kit/Pick.vue'
import Tick from '../kit/Tick.vue'
import Notice from '../kit/Notice.vue'
import Progress from '../kit/Progress.vue'

defineProps<{ /** Whether this person may take the table of what there is out. */ mayTakeOut: boolean }>()

const emit = defineEmits<{ taken: [] }>()

const worker = new Worker(new URL('./table.worker.ts', import.meta.url), { type: 'module' })
onBeforeUnmount(() => worker.terminate())
let asking = 0
const busy = ref('')
/** How far it is, where that is known. */
const share = ref<number>()
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
worker.onerror = () => {
  busy.value = ''
  error.value = new Error('Reading a table needs a signal.')
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
const columns = computed(() => opened.value?.headings.map((heading, at) => ({ key: String(at), says: heading || '(no heading)' })) ?? [])
const meanings = [{ value: '', says: 'left aside' }, ...siteTableColumns.map(({ name }) => ({ value: name, says: name }))]
/** Why nothing can be taken in yet; empty where it can. */
const off = computed(() => {
  if (!read.value) return ''
  if (read.value.sites.length === 0) return 'no row holds up'
  if (read.value.tooMuch) return 'too much at once'
  return read.value.faultyRows > 0 && !setAside.value ? 'set the faulty rows aside first' : ''
})
const delimiterNames: Record<string, string> = { ',': 'commas', ';': 'semicolons', '\t': 'tabs', '|': 'bars' }

async function take() {
  if (!read.value) return
  error.value = undefined
  busy.value = `Taking in ${counted(read.value.sites.length, 'site')} …`
  try {
    await askByLines(endpoints.takeSites, { body: { sites: read.value.sites } }, (line) => {
      if ('receipt' in line) receipt.value = line.receipt
      else if ('rows' in line) {
        busy.value = `Taking in: ${line.rows} of ${line.of} written …`
        share.value = line.rows / line.of
      }
    })
    ;[opened.value, read.value] = [undefined, undefined]
    emit('taken')
  } catch (caught) {
    error.value = caught
  } finally {
    ;[busy.value, share.value] = ['', undefined]
  }
}
</script>

<template>
  <section class="stack" data-table-import>
    <h2>Sites and units from a table</h2>
    <p class="small">
      CSV with one row per unit, or a plain list of customers. Headings as in
      <a v-if="mayTakeOut" :href="endpoints.sitesTable.path" download>the table of what you have</a>
      <template v-else>the table that the owner can take out</template> are known by themselves; others you choose below.
    </p>
    <FileTap name="table" accept=".csv,.txt,.tsv,text/csv" :disabled="busy !== ''" @files="open">Choose a table</FileTap>
    <Progress v-if="busy" :share="share" :says="busy" />
    <FaultNote :error="error" />
    <p v-if="receipt" role="status" data-taken-in>
      <b>{{ counted(receipt.sites, 'site') }} with {{ counted(receipt.units, 'unit') }} taken in.</b>
    </p>
    <template v-if="opened">
      <p data-dialect>
        {{ counted(opened.rows, 'row') }}, {{ delimiterNames[opened.delimiter] ?? opened.delimiter }} between the cells, letters in
        {{ opened.encoding }}.
      </p>
      <Ledger title="The first rows, and what each column is" keeps-lines :rows="opened.first" :columns="columns" :row-key="(row) => row.join(' ')">
        <template v-for="(heading, at) in opened.headings" #[`head-${at}`] :key="`head-${at}`">
          {{ heading || '(no heading)' }}
          <Pick
            :model-value="mapping[at] ?? ''"
            :name="`column-${at}`"
            :label="`What ${heading} is`"
            :data-column="heading"
            :options="meanings"
            @update:model-value="mapping[at] = $event === '' ? undefined : $event"
          />
        </template>
        <template v-for="(_, at) in opened.headings" #[`${at}`]="{ row }" :key="at">
          <span :class="{ aside: !mapping[at] }">{{ row[at] }}</span>
        </template>
      </Ledger>
      <Notice v-if="missing.length > 0" kind="now">Still to be named: {{ missing.join(', ') }}.</Notice>
      <Notice v-if="twice.length > 0" kind="now">Named twice: {{ twice.join(', ') }}.</Notice>
      <p v-if="!['setting', 'waterOnSite', 'foulDrainOnSite'].every((name) => mapping.includes(name))" class="small" data-usual>
        Where nothing is said of it, a site is taken for a {{ usualSite.setting }} with a tap and a foul drain.
      </p>
      <template v-if="read">
        <div v-if="read.faultyRows > 0" class="stack" data-row-faults>
          <p>
            <b>{{ read.faultyRows }} {{ read.faultyRows === 1 ? 'row does' : 'rows do' }} not hold up.</b> Mend them in the table and choose it again,
            or set them aside.
          </p>
          <ul class="faults" tabindex="0" aria-label="What does not hold up">
            <li v-for="fault in read.faults" :key="`${fault.row} ${fault.where} ${fault.what}`">
              row {{ fault.row }}, <b>{{ fault.where }}</b>: {{ fault.what }}. Allowed: {{ fault.allowed }}
            </li>
          </ul>
          <Tick v-model="setAside" name="set-aside">set these rows aside and take the others</Tick>
        </div>
        <Notice v-if="read.tooMuch" kind="now" data-too-much>{{ read.tooMuch }}</Notice>
        <Tap now big :off="off" :disabled="busy !== ''" data-take-in @click="take">
          Take in {{ counted(read.sites.length, 'site') }} with {{ counted(read.units, 'unit') }}
        </Tap>
      </template>
    </template>
  </section>
</template>

<style scoped>
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
