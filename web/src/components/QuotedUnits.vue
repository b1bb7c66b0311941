<script setup lang="ts">
// How soiled the units of a quote are taken to be, and what their customer complains of: changed with a tap, reckoned anew.
import { complaints, inWords, type Complaint } from '@yastik/core/lookover'
import { allGrades, gradeNames, type Grade } from '@yastik/core/quantities'
import type { QuoteRecord } from '@yastik/core/wire'
import Choice from '../kit/Choice.vue'
import Fold from '../kit/Fold.vue'
import Ticks from '../kit/Ticks.vue'
import { optionsOf } from '../kit/option.ts'
import { sourceWords } from './quotes.ts'

defineProps<{ units: QuoteRecord['units']; isOpen: boolean }>()
const emit = defineEmits<{ set: [unitId: string, part: { coilGrade?: Grade; complaints?: Complaint[] }] }>()
const grades = optionsOf(allGrades, (grade) => `${grade} ${gradeNames[grade]}`)
const asked = optionsOf(
  complaints.filter((name) => name !== 'none'),
  inWords,
)
</script>

<template>
  <section class="stack no-print">
    <h2>How soiled the units are taken to be</h2>
    <ul class="plain units">
      <li v-for="unit in units" :key="unit.unitId" class="unit" :data-quoted-unit="unit.name">
        <div>
          <b>{{ unit.name }}</b><br /><small>{{ sourceWords[unit.source] }}</small>
        </div>
        <Choice
          v-if="isOpen"
          mark="say-grade"
          :label="`Coil and wheel of ${unit.name}`"
          :model-value="unit.coilGrade"
          :options="grades"
          @update:model-value="emit('set', unit.unitId, { coilGrade: $event })"
        />
        <span v-else>{{ unit.coilGrade }} {{ gradeNames[unit.coilGrade] }}</span>
        <Fold v-if="isOpen" :title="unit.complaints.length > 0 ? unit.complaints.map(inWords).join(', ') : 'no complaint'">
          <Ticks
            mark="say-complaint"
            :label="`Complaints about ${unit.name}`"
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
