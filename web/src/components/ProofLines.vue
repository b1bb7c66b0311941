<script setup lang="ts">
// What was measured, line by line: before, after, what a clean unit would do, on one scale, with a verdict each.
import { verdictName } from '@yastik/core/run'
import { isLimited, type ProofLine } from '@yastik/core/proof'
import { computed } from 'vue'
import type { Column } from '../kit/column.ts'
import Ledger from '../kit/Ledger.vue'
import { useMeasures } from '../measures/useMeasures.ts'
import ProofBar from './ProofBar.vue'
import { t } from '../words/words.ts'

const props = defineProps<{ lines: readonly ProofLine[] }>()
const { figure, unit, say } = useMeasures()
/** In the units of the person who reads them. */
const read = computed(() =>
  props.lines.map((line): ProofLine => {
    const own = (value: number | undefined) => (value === undefined ? undefined : figure(value, line.unit))
    return {
      ...line,
      unit: unit(line.unit),
      before: own(line.before),
      after: own(line.after),
      expected: own(line.expected),
      tolerance: own(line.tolerance),
      expectedTolerance: own(line.expectedTolerance),
    }
  }),
)
const columns: Column<ProofLine>[] = [
  { key: 'what', says: t('screen.proof.what') },
  { key: 'before', says: t('screen.proof.before'), number: true },
  { key: 'after', says: t('screen.proof.after'), number: true },
  { key: 'clean', says: t('screen.proof.clean-unit'), number: true },
  { key: 'scale', says: t('screen.proof.one-scale-before-after-clean') },
  { key: 'verdict', says: t('screen.proof.verdict') },
]
</script>

<template>
  <Ledger
    :title="t('screen.proof.measured')"
    :rows="read"
    :columns="columns"
    :row-key="({ id }) => id"
    :row-attrs="({ id }) => ({ 'data-line': id })"
  >
    <template #what="{ row }">
      <b>{{ say(row.what) }}</b><br /><small
        >{{ row.unit }}{{ isLimited(row) && row.expected !== undefined ? t('screen.proof.limit', { expected: row.expected }) : '' }}</small
      >
    </template>
    <template #before="{ row }">{{ row.before ?? '–' }}</template>
    <template #after="{ row }">
      <b data-after>{{ row.after ?? '–' }}</b><template v-if="row.tolerance"
        ><br /><small data-tolerance>± {{ row.tolerance }}</small></template
      >
    </template>
    <template #clean="{ row }">
      {{ isLimited(row) ? '–' : (row.expected ?? '–')
      }}<template v-if="row.expectedTolerance"
        ><br /><small>± {{ row.expectedTolerance }}</small></template
      >
    </template>
    <template #scale="{ row }"><ProofBar :line="row" /></template>
    <template #verdict="{ row }">
      {{ row.verdict ? say(verdictName(row.verdict)) : '' }}<br /><small>{{ row.says ? say(row.says) : '' }}</small>
    </template>
  </Ledger>
</template>
