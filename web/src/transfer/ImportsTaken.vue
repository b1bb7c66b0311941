<script setup lang="ts">
// What came in at once lately, and the way to take it back.
import { counted, momentWords } from '@yastik/core/quantities'
import { endpoints, type ImportRecord, type TakenBack } from '@yastik/core/wire'
import { computed, ref, watch } from 'vue'
import { ask } from '../api/client.ts'
import { useAsked, useDoing } from '../api/useServer.ts'
import FaultNote from '../kit/FaultNote.vue'
import Tap from '../kit/Tap.vue'

const props = defineProps<{ /** How often something came in while this is open. */ taken: number }>()
const asked = useAsked(endpoints.imports, () => ({}))
watch(
  () => props.taken,
  () => void asked.reload(),
)
const imports = computed(() => asked.said.value ?? [])
const sure = ref<string>()
const { busy, error, run } = useDoing()
const back = ref<TakenBack>()
const kinds: Record<ImportRecord['kind'], string> = { sites: 'from a table', visits: 'from a calendar' }
const words = ({ kind, counts }: ImportRecord) =>
  kind === 'sites'
    ? `${counted(counts.sites, 'site')} with ${counted(counts.units, 'unit')}`
    : `${counted(counts.planned, 'visit')} planned, ${counts.moved} moved, ${counts.cancelled} cancelled`
const takeBack = (id: string) =>
  run(async () => {
    back.value = await ask(endpoints.takeBack, { params: { id } })
    sure.value = undefined
    await asked.reload()
  })
</script>

<template>
  <section v-if="imports.length > 0" class="stack" data-imports>
    <h2>What came in lately</h2>
    <FaultNote :error="error ?? asked.error.value" />
    <div v-if="back" role="status" data-taken-back>
      <p>
        <b>{{ back.takenBack }} taken back.</b>
        <template v-if="back.keptInAll > 0"> {{ back.keptInAll }} stay, since something happened to them:</template>
      </p>
      <ul v-if="back.kept.length > 0">
        <li v-for="{ what, because } in back.kept" :key="what">{{ what }}: {{ because }}</li>
      </ul>
      <p v-if="back.keptInAll > back.kept.length" class="small">and {{ back.keptInAll - back.kept.length }} more</p>
    </div>
    <ul class="plain">
      <li v-for="own in imports" :key="own.id" class="row import" :data-import="own.kind">
        <span
          ><b>{{ words(own) }}</b> {{ kinds[own.kind] }}<br /><small>{{ momentWords(own.madeAt) }}, {{ own.madeBy }}</small></span
        >
        <small v-if="own.takenBackAt">taken back {{ momentWords(own.takenBackAt) }}</small>
        <Tap v-else-if="sure !== own.id" small data-take-back @click="sure = own.id">Take it back</Tap>
        <template v-else>
          <Tap small :disabled="busy" data-take-back-sure @click="takeBack(own.id)">Yes: as if it had not come in</Tap>
          <Tap small bare @click="sure = undefined">Leave it</Tap>
        </template>
      </li>
    </ul>
  </section>
</template>

<style scoped>
.import {
  border-bottom: var(--rule-width) solid var(--rule);
  padding: 0.35rem 0;
  align-items: center;
}
.import > span {
  flex: 0 1 28rem;
}
</style>
