<script setup lang="ts">
// Sites and units from a table: which column is which, the first rows, what is wrong row by row; nothing is taken in before a person says so.
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
import { Fault } from '@yastik/core/faults'
import { say, t } from '../words/words.ts'

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
  if ('failed' in data) error.value = new Fault('does-not-hold-up', { sentence: data.failed })
  else if ('headings' in data) {
    opened.value = data
    mapping.value = [...data.mapping]
  } else read.value = data
}
worker.onerror = () => {
  busy.value = ''
  error.value = new Error(t('screen.data.reading-table-needs-signal'))
}
function send(asked: { file: Blob } | { mapping: (string | undefined)[] }) {
  worker.postMessage({ asking: ++asking, ...asked } satisfies TableAsked)
}
function open([file]: File[]) {
  ;[error.value, opened.value, read.value, receipt.value, setAside.value] = [undefined, undefined, undefined, undefined, false]
  busy.value = t('screen.data.reading-table')
  send({ file })
}
const missing = computed(() => neededColumns.filter((name) => !mapping.value.includes(name)))
const twice = computed(() => mapping.value.filter((name, at) => name !== undefined && mapping.value.indexOf(name) !== at))
watch(
  mapping,
  (names) => {
    read.value = undefined
    if (!opened.value || missing.value.length > 0 || twice.value.length > 0) return
    busy.value = t('screen.data.looking-through', { rows: opened.value.rows })
    send({ mapping: [...names] })
  },
  { deep: true },
)
const columns = computed(() => opened.value?.headings.map((heading, at) => ({ key: String(at), says: heading || t('screen.data.no-heading') })) ?? [])
const meanings = [{ value: '', says: t('screen.data.left-aside') }, ...siteTableColumns.map(({ name }) => ({ value: name, says: name }))]
/** Why nothing can be taken in yet; empty where it can. */
const off = computed(() => {
  if (!read.value) return ''
  if (read.value.sites.length === 0) return t('screen.data.no-row-holds-up')
  if (read.value.tooMuch) return t('screen.data.too-much-once')
  return read.value.faultyRows > 0 && !setAside.value ? t('screen.data.set-faulty-rows-aside-first') : ''
})
const delimiterNames: Record<string, string> = {
  ',': t('screen.data.delimiter.commas'),
  ';': t('screen.data.delimiter.semicolons'),
  '\t': t('screen.data.delimiter.tabs'),
  '|': t('screen.data.delimiter.bars'),
}

async function take() {
  if (!read.value) return
  error.value = undefined
  busy.value = t('screen.data.taking-sites', { sites: read.value.sites.length })
  try {
    await askByLines(endpoints.takeSites, { body: { sites: read.value.sites } }, (line) => {
      if ('receipt' in line) receipt.value = line.receipt
      else if ('rows' in line) {
        busy.value = t('screen.data.taking-written', { rows: line.rows, of: line.of })
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
    <h2>{{ t('screen.data.sites-units-table') }}</h2>
    <p class="small">
      {{ t('screen.data.csv-one-row-per-unit-2') }}
      <a v-if="mayTakeOut" :href="endpoints.sitesTable.path" download>{{ t('screen.data.table-you') }}</a>
      <template v-else>{{ t('screen.data.table-owner-can-take-out') }}</template> {{ t('screen.data.known-themselves-others-you-choose') }}
    </p>
    <FileTap name="table" accept=".csv,.txt,.tsv,text/csv" :disabled="busy !== ''" @files="open">{{ t('screen.data.choose-table') }}</FileTap>
    <Progress v-if="busy" :share="share" :says="busy" />
    <FaultNote :error="error" />
    <p v-if="receipt" role="status" data-taken-in>
      <b>{{ t('screen.data.sites-units-taken', { sites: receipt.sites, units: receipt.units }) }}</b>
    </p>
    <template v-if="opened">
      <p data-dialect>
        {{
          t('screen.data.rows-between-cells-letters', {
            rows: opened.rows,
            delimiter: delimiterNames[opened.delimiter] ?? opened.delimiter,
            encoding: t(`screen.data.encoding.${opened.encoding}`),
          })
        }}
      </p>
      <Ledger :title="t('screen.data.first-rows-each-column')" keeps-lines :rows="opened.first" :columns="columns" :row-key="(row) => row.join(' ')">
        <template v-for="(heading, at) in opened.headings" #[`head-${at}`] :key="`head-${at}`">
          {{ heading || t('screen.data.no-heading') }}
          <Pick
            :model-value="mapping[at] ?? ''"
            :name="`column-${at}`"
            :label="t('screen.data.what-is', { heading })"
            :data-column="heading"
            :options="meanings"
            @update:model-value="mapping[at] = $event === '' ? undefined : $event"
          />
        </template>
        <template v-for="(_, at) in opened.headings" #[`${at}`]="{ row }" :key="at">
          <span :class="{ aside: !mapping[at] }">{{ row[at] }}</span>
        </template>
      </Ledger>
      <Notice v-if="missing.length > 0" kind="now">{{ t('screen.data.still-named', { missing: missing.join(', ') }) }}</Notice>
      <Notice v-if="twice.length > 0" kind="now">{{ t('screen.data.named-twice', { twice: twice.join(', ') }) }}</Notice>
      <p v-if="!['setting', 'waterOnSite', 'foulDrainOnSite'].every((name) => mapping.includes(name))" class="small" data-usual>
        {{ t('screen.data.nothing-said-site-taken-tap', { setting: t(`screen.sites.setting.${usualSite.setting}`) }) }}
      </p>
      <template v-if="read">
        <div v-if="read.faultyRows > 0" class="stack" data-row-faults>
          <p>
            <b>{{ t('screen.data.rows-not-hold-up', { rows: read.faultyRows }) }}</b>
            {{ t('screen.data.mend-them-table-choose-again') }}
          </p>
          <ul class="faults" tabindex="0" :aria-label="t('screen.data.does-not-hold-up')">
            <li v-for="fault in read.faults" :key="`${fault.row} ${say(fault.where)} ${say(fault.what)}`">
              {{ t('screen.data.row', { row: fault.row }) }} <b>{{ say(fault.where) }}</b>{{
                t('screen.data.allowed-2', { what: fault.what, allowed: fault.allowed })
              }}
            </li>
          </ul>
          <Tick v-model="setAside" name="set-aside">{{ t('screen.data.set-these-rows-aside-take') }}</Tick>
        </div>
        <Notice v-if="read.tooMuch" kind="now" data-too-much>{{ say(read.tooMuch) }}</Notice>
        <Tap now big :off="off" :disabled="busy !== ''" data-take-in @click="take">
          {{ t('screen.data.take-sites-units', { sites: read.sites.length, units: read.units }) }}
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
