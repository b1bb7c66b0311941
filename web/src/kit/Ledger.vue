<script setup lang="ts" generic="Row">
// A table: ruled lines, headings that put it in order, on a phone one entry below the other. Drawn as a plain table: docs/decisions/31 says why.
import { Bottom, Top } from '@element-plus/icons-vue'
import { ElIcon } from 'element-plus/es/components/icon/index'
import { computed, onScopeDispose, ref, watch } from 'vue'
import { afterPaint } from './afterPaint.ts'
import { ordered, type Column, type Order } from './column.ts'
import { t } from '../words/words.ts'

const props = defineProps<{
  rows: readonly Row[]
  columns: readonly Column<Row>[]
  /** Tells rows apart. */
  rowKey: (row: Row) => string | number
  /** What it is a table of, for who does not see it; shown above it with `titled`. */
  title: string
  titled?: boolean
  /** What is said where there are no rows. */
  empty?: string
  loading?: boolean
  /** Attributes of a row, by which it is found on the page. */
  rowAttrs?: (row: Row, index: number) => Record<string, unknown>
  /** On a phone it stays a table and scrolls sideways: figures to compare along a line. */
  keepsLines?: boolean
  /** The first cell of each row names it. */
  headed?: boolean
}>()

const order = ref<Order>()
/** So many rows are drawn before the first paint, and so many more after each further one: the rest is below what is seen. */
const atOnce = 20
const room = ref(atOnce)
const all = computed(() => ordered(props.rows, props.columns, order.value))
const shown = computed(() => all.value.slice(0, room.value))
let callOff: (() => void) | undefined
watch(
  () => all.value.length > room.value,
  function grow(isMore) {
    callOff?.()
    if (!isMore) return
    callOff = afterPaint(() => {
      room.value += atOnce
      grow(all.value.length > room.value)
    })
  },
  { immediate: true },
)
onScopeDispose(() => callOff?.())
const seen = computed(() => props.columns.filter(({ hidden }) => hidden !== true))
const sortOf = ({ key, sort }: Column<Row>) =>
  sort === undefined ? undefined : order.value?.key !== key ? 'none' : order.value.down ? 'descending' : 'ascending'
function tap(key: string) {
  if (order.value?.key !== key) order.value = { key, down: false }
  else order.value = order.value.down ? undefined : { key, down: true }
}
const signs = { none: undefined, ascending: Top, descending: Bottom }
const cellOf = (row: Row, key: string) => (row as Record<string, unknown>)[key]
</script>

<template>
  <div
    class="ledger-frame"
    :class="{ 'keeps-lines': keepsLines }"
    :tabindex="keepsLines ? 0 : undefined"
    :role="keepsLines ? 'region' : undefined"
    :aria-label="keepsLines ? title : undefined"
  >
    <!-- Its roles are named: what is no table to the eye on a phone stays one to who listens. -->
    <table v-if="rows.length > 0" role="table" class="ledger" :aria-busy="loading" :aria-rowcount="rows.length + 1">
      <caption :class="titled ? 'small' : 'unseen'">
        {{
          title
        }}
      </caption>
      <thead role="rowgroup">
        <tr role="row">
          <th v-for="column in seen" :key="column.key" scope="col" role="columnheader" :class="{ number: column.number }" :aria-sort="sortOf(column)">
            <button v-if="column.sort" class="order" type="button" :data-order="column.key" @click="tap(column.key)">
              {{ column.says }}
              <ElIcon v-if="signs[sortOf(column) ?? 'none']" class="sign"><component :is="signs[sortOf(column) ?? 'none']" /></ElIcon>
            </button>
            <slot v-else-if="column.says !== ''" :name="`head-${column.key}`" :column="column">{{ column.says }}</slot>
            <span v-else class="unseen">{{ t('screen.frame.doings') }}</span>
          </th>
        </tr>
      </thead>
      <tbody role="rowgroup">
        <tr v-for="(row, index) in shown" :key="rowKey(row)" role="row" v-bind="rowAttrs?.(row, index)">
          <component
            :is="headed && at === 0 ? 'th' : 'td'"
            v-for="(column, at) in seen"
            :key="column.key"
            :scope="headed && at === 0 ? 'row' : undefined"
            :role="headed && at === 0 ? 'rowheader' : 'cell'"
            :class="{ number: column.number, 'one-line': column.oneLine, doings: column.says === '' }"
          >
            <span v-if="column.says !== ''" class="of" aria-hidden="true">{{ column.says }}</span>
            <span class="is"
              ><slot :name="column.key" :row="row" :index="index">{{ cellOf(row, column.key) }}</slot></span
            >
          </component>
        </tr>
      </tbody>
    </table>
    <p v-else-if="loading" role="status">{{ t('screen.frame.fetching') }}</p>
    <p v-else-if="empty" class="empty">{{ empty }}</p>
  </div>
</template>
