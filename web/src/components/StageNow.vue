<script setup lang="ts">
// The stage that is under way: where it stands among the others, the step to do now, and its other steps as lines: what is left, then what is done.
import { plainId } from '@yastik/core/procedure'
import { reasonsToWait, type RunStage } from '@yastik/core/run'
import { computed } from 'vue'
import Tap from '../kit/Tap.vue'
import { useMeasures } from '../measures/useMeasures.ts'
import { useJob } from '../stores/job.ts'
import { t } from '../words/words.ts'
import CautionLine from './CautionLine.vue'

const { say } = useMeasures()
const job = useJob()
const props = defineProps<{
  stage: RunStage
  /** The stage among all of them, from one. */
  place: number
  all: number
  /** The step that is shown, and those that one tap would tick. */
  shownId: string | undefined
  together: readonly string[]
  nowMs: number
}>()
const emit = defineEmits<{ pick: [stepId: string] }>()
const lines = computed(() =>
  props.stage.steps.map(({ list, step }) => {
    const state = job.stateFor(list)
    const isDone = state.progress[step.id]?.doneAtMs !== undefined
    const [because] = isDone ? [] : reasonsToWait(state, step, props.nowMs, job.lists)
    return { step, isDone, because, isTogether: props.together.includes(step.id) }
  }),
)
const doneLines = computed(() => lines.value.filter(({ isDone }) => isDone))
const otherLines = computed(() => [
  ...lines.value.filter(({ step, isDone }) => !isDone && step.id !== props.shownId),
  ...doneLines.value.filter(({ step }) => step.id !== props.shownId),
])
/** One tap ticks these lines as well: what there is to beware of is said before it. */
const cautions = computed(() => otherLines.value.flatMap(({ step, isTogether }) => (isTogether ? step.cautions : [])))
const minutes = computed(() => Math.max(1, Math.round(lines.value.reduce((sum, { step, isDone }) => sum + (isDone ? 0 : step.handsMin), 0))))
</script>

<template>
  <section class="stack" :aria-label="say(stage.name)" data-stage>
    <div>
      <p class="eyebrow">{{ t('screen.work.stage-of', { place, all, minutes }) }}</p>
      <h2 class="name" aria-live="polite">
        {{ say(stage.name) }}
        <small v-if="lines.length > 1" data-stage-count>{{ t('screen.work.stage-count', { done: doneLines.length, steps: lines.length }) }}</small>
      </h2>
    </div>
    <ul v-if="cautions.length > 0" class="cautions plain">
      <CautionLine v-for="(caution, at) in cautions" :key="at" :words="say(caution)" />
    </ul>
    <slot />
    <ol v-if="otherLines.length > 0" class="plain lines" :aria-label="t('screen.work.also-in-stage')">
      <li v-for="{ step, isDone, because } in otherLines" :key="step.id" :class="{ done: isDone }" :data-line="plainId(step.id)">
        <span v-if="isDone" role="img" :aria-label="t('screen.work.line-done')">{{ '✓' }}</span>
        <span v-else aria-hidden="true">{{ '·' }}</span>
        <span v-if="isDone">{{ say(step.title) }}</span>
        <Tap v-else-if="because === undefined" bare class="line" :data-pick-line="plainId(step.id)" @click="emit('pick', step.id)">{{
          say(step.title)
        }}</Tap>
        <span v-else
          >{{ say(step.title) }}<br /><small>{{ say(because) }}</small></span
        >
      </li>
    </ol>
  </section>
</template>

<style scoped>
.name {
  font-size: 1.3rem;
  line-height: 1.2;
}
.name small {
  font-weight: 400;
  color: var(--ink-soft);
}
.lines {
  border-left: 2px solid var(--ink);
}
.lines li {
  display: grid;
  grid-template-columns: 1.4rem 1fr;
  align-items: baseline;
  padding: 0.15rem 0 0.15rem 0.4rem;
}
.line {
  justify-self: start;
  height: auto;
  padding: 0.3rem 0;
  font-size: inherit;
  text-align: start;
  text-decoration: underline;
  white-space: normal;
}
.done {
  color: var(--ink-soft);
}
</style>
