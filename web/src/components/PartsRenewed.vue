<script setup lang="ts">
// Parts that were changed on this visit, or have to be ordered: they go into the report and stay with the unit.
import type { PartNeed } from '@yastik/core/run'
import { computed, ref } from 'vue'
import { useJob } from '../stores/job.ts'
import Tap from '../kit/Tap.vue'
import TextField from '../kit/TextField.vue'
import { t } from '../words/words.ts'

const props = defineProps<{ unitId: string }>()
const job = useJob()
const state = computed(() => job.stateFor(props.unitId))
const item = ref('')
const usual = [
  'filter',
  t('screen.work.filter-clip'),
  'gasket',
  t('screen.work.louvre-spring'),
  t('screen.work.drain-hose'),
  t('screen.work.sensor-clip'),
  t('screen.work.balance-clip'),
  t('screen.work.blower-wheel'),
  'bearing',
  'insulation',
]
const needs: { need: PartNeed; says: string }[] = [
  { need: 'changed', says: t('screen.work.renewed-changed') },
  { need: 'to-order', says: t('screen.work.ordered') },
]
async function note(name: string, need: PartNeed | null) {
  await job.add(props.unitId, { type: 'part-noted', item: name, need })
  item.value = ''
}
</script>

<template>
  <section class="stack" data-parts-renewed>
    <h2>
      {{ t('screen.work.parts') }} <small>{{ t('screen.work.changed-now-ordered') }}</small>
    </h2>
    <ul v-if="state.partsNoted.length > 0" class="plain">
      <li v-for="part in state.partsNoted" :key="part.item" class="row" :data-part-noted="part.item">
        <span
          ><b>{{ part.item }}</b
          >: {{ part.need === 'changed' ? t('screen.work.changed') : t('screen.work.ordered') }}</span
        >
        <Tap bare @click="note(part.item, null)">{{ t('screen.work.take-back') }}</Tap>
      </li>
    </ul>
    <div class="row">
      <TextField
        v-model="item"
        name="part-item"
        maxlength="120"
        list="usual-parts"
        :aria-label="t('screen.work.part')"
        :placeholder="t('screen.work.part-2')"
      />
      <datalist id="usual-parts"><option v-for="name in usual" :key="name" :value="name" /></datalist>
      <Tap
        v-for="{ need, says } in needs"
        :key="need"
        :off="item.trim() === '' ? t('screen.work.name-part') : ''"
        :data-part-need="need"
        @click="note(item.trim(), need)"
      >
        {{ says }}
      </Tap>
    </div>
  </section>
</template>
