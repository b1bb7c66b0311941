<script setup lang="ts">
// What is off, where it lies and how it looked, whether its fasteners are all there, and what may stay out.
import { exceptionFor, type LedgerEntry, type UnitState } from '@yastik/core/run'
import { computed } from 'vue'
import { useJob } from '../stores/job.ts'
import LedgerShortfall from './LedgerShortfall.vue'
import PhotoThumb from './PhotoThumb.vue'
import { useNames } from '../job/useNames.ts'
import { componentName, fastenerName } from '@yastik/core/units'
import { useMeasures } from '../measures/useMeasures.ts'
import { t } from '../words/words.ts'
import { timeWords } from '../words/when.ts'

const { say } = useMeasures()

const props = defineProps<{ jobId: string; unitId: string; state: UnitState }>()
const { personName, titleOf } = useNames(() => props.unitId)
const job = useJob()
const rows = computed(() =>
  props.state.tray.map((item) => ({
    ...item,
    fasteners: props.state.ledger.filter((entry) => entry.item === item.item),
    photos: props.state.photos.filter(({ stepId }) => stepId === item.stepId),
  })),
)
const loose = computed(() =>
  props.state.ledger.filter((entry) => entry.out !== entry.in && !props.state.tray.some(({ item }) => item === entry.item)),
)
const except = ({ item, kind, out, in: back }: LedgerEntry, text: string) =>
  job.add(props.unitId, { type: 'exception-written', item, kind, short: out - back, text })
</script>

<template>
  <section class="tray" :aria-label="t('screen.work.parts-tray-fastener-ledger')">
    <h2>
      {{ t('screen.work.parts-tray') }} <small>{{ rows.length === 0 ? t('screen.work.empty') : t('screen.work.off', { rows: rows.length }) }}</small>
    </h2>
    <ul class="plain">
      <li v-for="row in rows" :key="row.item" class="slot" :data-tray="row.item">
        <b>{{ say(componentName(row.item)) }}</b><small>{{ say(row.slot) }} · {{ personName(row.by) }}, {{ timeWords(row.atMs) }}</small>
        <small v-for="entry in row.fasteners" :key="entry.kind">{{
          t('screen.work.back', { in: entry.in, out: entry.out, kind: say(fastenerName(entry.kind)) })
        }}</small>
        <span v-if="row.photos.length > 0" class="row photos">
          <PhotoThumb
            v-for="photo in row.photos"
            :key="photo.photoId"
            :photo-id="photo.photoId"
            :job-id="jobId"
            :unit-id="unitId"
            :says="t('screen.work.before-came-off', { item: say(componentName(row.item)) })"
          />
        </span>
      </li>
      <li v-for="entry in loose" :key="entry.item + entry.kind">
        <LedgerShortfall
          :entry="entry"
          :taken-at="say(titleOf(entry.takenAt))"
          :exception="exceptionFor(state, entry)"
          @write="(text) => except(entry, text)"
        />
      </li>
    </ul>
  </section>
</template>

<style scoped>
.tray {
  border-top: 3px solid var(--ink);
  padding-top: 0.5rem;
}
ul {
  display: flex;
  flex-wrap: wrap;
  gap: 0;
  margin-top: 0.4rem;
}
.photos {
  margin-top: 0.4rem;
}
.slot {
  display: flex;
  flex-direction: column;
  border: var(--rule-width) solid var(--ink);
  padding: 0.4rem 0.7rem;
  margin: 0 calc(-1 * var(--rule-width)) calc(-1 * var(--rule-width)) 0;
  line-height: 1.2;
  min-width: 9rem;
}
</style>
