<script setup lang="ts">
// How soiled the units of a quote are taken to be, and what their customer complains of: changed with a tap, reckoned anew.
import { complaints, type Complaint } from '@yastik/core/lookover'
import { allGrades, type Grade } from '@yastik/core/quantities'
import type { QuoteRecord } from '@yastik/core/wire'
import Choice from '../kit/Choice.vue'
import Fold from '../kit/Fold.vue'
import Ticks from '../kit/Ticks.vue'
import { optionsOf } from '../kit/option.ts'
import { t } from '../words/words.ts'
import { inWords } from '../words/names.ts'

defineProps<{ units: QuoteRecord['units']; isOpen: boolean }>()
const emit = defineEmits<{ set: [unitId: string, part: { coilGrade?: Grade; complaints?: Complaint[] }] }>()
const grades = optionsOf(allGrades, (grade) => `${grade} ${t(`names.grade.${grade}`)}`)
const asked = optionsOf(
  complaints.filter((name) => name !== 'none'),
  inWords,
)
</script>

<template>
  <section class="stack no-print">
    <h2>{{ t('screen.quotes.how-soiled-units-taken') }}</h2>
    <ul class="plain units">
      <li v-for="unit in units" :key="unit.unitId" class="unit" :data-quoted-unit="unit.name">
        <div>
          <b>{{ unit.name }}</b><br /><small>{{ t(`screen.quotes.source.${unit.source}`) }}</small>
        </div>
        <Choice
          v-if="isOpen"
          mark="say-grade"
          :label="t('screen.quotes.coil-wheel', { unit: unit.name })"
          :model-value="unit.coilGrade"
          :options="grades"
          @update:model-value="emit('set', unit.unitId, { coilGrade: $event })"
        />
        <span v-else>{{ unit.coilGrade }} {{ t(`names.grade.${unit.coilGrade}`) }}</span>
        <Fold v-if="isOpen" :title="unit.complaints.length > 0 ? unit.complaints.map(inWords).join(', ') : t('screen.quotes.no-complaint')">
          <Ticks
            mark="say-complaint"
            :label="t('screen.quotes.complaints-about', { unit: unit.name })"
            :model-value="unit.complaints"
            :options="asked"
            @update:model-value="emit('set', unit.unitId, { complaints: $event })"
          />
        </Fold>
      </li>
    </ul>
  </section>
</template>

<style scoped>
.units {
  display: grid;
  gap: 0.4rem;
}
.unit {
  display: grid;
  grid-template-columns: minmax(9rem, 14rem) auto 1fr;
  gap: 0.3rem 1rem;
  align-items: center;
  border-bottom: var(--rule-width) solid var(--rule);
  padding: 0.3rem 0;
}
@media (max-width: 700px) {
  .unit {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
