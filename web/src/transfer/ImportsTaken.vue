<script setup lang="ts">
// What came in at once lately, and the way to take it back.
import { endpoints, type ImportRecord, type TakenBack } from '@yastik/core/wire'
import { computed, ref, watch } from 'vue'
import { ask } from '../api/client.ts'
import { useAsked, useDoing } from '../api/useServer.ts'
import FaultNote from '../kit/FaultNote.vue'
import Tap from '../kit/Tap.vue'
import { say, t } from '../words/words.ts'
import { momentWords } from '../words/when.ts'

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
const kinds: Record<ImportRecord['kind'], string> = { sites: t('screen.data.table'), visits: t('screen.data.calendar') }
const words = ({ kind, counts }: ImportRecord) =>
  kind === 'sites'
    ? t('screen.data.sites-units-2', { sites: counts.sites, units: counts.units })
    : t('screen.data.visits-planned-moved-cancelled', { visits: counts.planned, moved: counts.moved, cancelled: counts.cancelled })
const takeBack = (id: string) =>
  run(async () => {
    back.value = await ask(endpoints.takeBack, { params: { id } })
    sure.value = undefined
    await asked.reload()
  })
</script>

<template>
  <section v-if="imports.length > 0" class="stack" data-imports>
    <h2>{{ t('screen.data.came-lately') }}</h2>
    <FaultNote :error="error ?? asked.error.value" />
    <div v-if="back" role="status" data-taken-back>
      <p>
        <b>{{ t('screen.data.taken-back', { takenBack: back.takenBack }) }}</b>
        <template v-if="back.keptInAll > 0"> {{ t('screen.data.stay-since-something-happened-them', { keptInAll: back.keptInAll }) }}</template>
      </p>
      <ul v-if="back.kept.length > 0">
        <li v-for="{ what, because } in back.kept" :key="say(what)">{{ say(what) }}: {{ say(because) }}</li>
      </ul>
      <p v-if="back.keptInAll > back.kept.length" class="small">{{ t('screen.data.more-2', { keptInAll: back.keptInAll - back.kept.length }) }}</p>
    </div>
    <ul class="plain">
      <li v-for="own in imports" :key="own.id" class="row import" :data-import="own.kind">
        <span
          ><b>{{ words(own) }}</b> {{ kinds[own.kind] }}<br /><small>{{ momentWords(own.madeAt) }}, {{ own.madeBy }}</small></span
        >
        <small v-if="own.takenBackAt">{{ t('screen.data.taken-back-2', { takenBackAt: momentWords(own.takenBackAt) }) }}</small>
        <Tap v-else-if="sure !== own.id" small data-take-back @click="sure = own.id">{{ t('screen.data.take-back') }}</Tap>
        <template v-else>
          <Tap small :disabled="busy" data-take-back-sure @click="takeBack(own.id)">{{ t('screen.data.yes-if-had-not-come') }}</Tap>
          <Tap small bare @click="sure = undefined">{{ t('screen.data.leave') }}</Tap>
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
