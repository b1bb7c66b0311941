<script setup lang="ts">
// One decision as a sentence with its because; what was turned down, why, and what it would change.
import { byHand, choiceNames, topicNames, type Choice } from '@yastik/core/method'
import type { Comparison, PlannedDecision } from '@yastik/core/plan'
import { ref } from 'vue'
import { useMeasures } from '../measures/useMeasures.ts'
import { usePlace } from '../measures/usePlace.ts'
import Tap from '../kit/Tap.vue'
import Field from '../kit/Field.vue'
import TextField from '../kit/TextField.vue'
import Fold from '../kit/Fold.vue'
import Form from '../kit/Form.vue'

const { figure, unit } = useMeasures()
const place = usePlace()
const props = defineProps<{
  decision: PlannedDecision
  fixed: boolean
  /** What a choice would change, for those that the plan has not compared itself. */
  whatIf?: (choice: string) => Comparison | undefined
}>()
const emit = defineEmits<{ choose: [choice: string | null, because: string] }>()
const wanted = ref<string>()
const because = ref('')

const name = (choice: string) => choiceNames[choice as Choice]
const insteadOf = ({ choice, instead }: PlannedDecision['turnedDown'][number]) =>
  instead ?? (wanted.value === choice ? props.whatIf?.(choice) : undefined)
const signed = (value: number, unit: string) => `${value > 0 ? '+' : '−'}${Math.abs(value)} ${unit}`
const differences = ({ minutes, money, waterL }: Comparison) => [
  ...(minutes ? [signed(minutes, 'min')] : []),
  ...(money ? [`price ${place.change(money)}`] : []),
  ...(waterL ? [signed(figure(waterL, 'L'), `${unit('L')} water`)] : []),
]
function confirm() {
  if (wanted.value) emit('choose', wanted.value, because.value)
  wanted.value = undefined
  because.value = ''
}
</script>

<template>
  <li class="decision" :data-topic="decision.topic" :data-choice="decision.choice">
    <span class="topic">{{ topicNames[decision.topic] }}</span>
    <div>
      <b class="choice">{{ name(decision.choice) }}</b>
      <ul class="plain">
        <li v-for="reason in decision.because" :key="reason">{{ reason }}</li>
      </ul>
      <p v-if="decision.better" class="small">Better, but ruled out here: {{ name(decision.better) }}.</p>
      <Tap v-if="decision.rule === byHand && !fixed" @click="emit('choose', null, '')">Back to the rule</Tap>
      <Fold v-if="decision.turnedDown.length > 0" class="small" title="Why not otherwise?">
        <ul class="plain others">
          <li v-for="{ other, instead } in decision.turnedDown.map((entry) => ({ other: entry, instead: insteadOf(entry) }))" :key="other.choice">
            <div class="spread">
              <b>{{ name(other.choice) }}</b><span v-if="instead" class="diff">{{
                differences(instead).join(' · ') || 'no difference in time, money or water'
              }}</span>
            </div>
            <p class="small">
              {{ other.because }}<template v-if="instead?.reach">. {{ instead.reach }}</template
              ><template v-if="instead?.risk">. Risk: {{ instead.risk }}</template>
            </p>
            <template v-if="other.standing !== 'barred' && !fixed">
              <Tap v-if="wanted !== other.choice" bare small :data-flip="other.choice" @click="wanted = other.choice">
                Do it this way on this job …
              </Tap>
              <Form v-else inline @submit="confirm">
                <Field label="Why, for the record"><TextField v-model="because" name="because" required maxlength="500" /></Field
                ><Tap type="submit">Decide so</Tap><Tap bare @click="wanted = undefined">Leave it</Tap>
              </Form>
            </template>
          </li>
        </ul>
      </Fold>
    </div>
  </li>
</template>

<style scoped>
.decision {
  display: grid;
  grid-template-columns: 10rem minmax(0, 1fr);
  gap: 0.3rem 1rem;
  padding: 0.7rem 0;
  border-top: var(--rule-width) solid var(--rule);
}
.topic {
  color: var(--ink-soft);
}
.choice {
  font-size: 1.15rem;
}
.choice::first-letter {
  text-transform: uppercase;
}
.others > li {
  padding: 0.4rem 0 0.4rem 0.8rem;
  border-left: var(--rule-width) solid var(--rule);
  margin-top: 0.4rem;
}
.diff {
  font-weight: 500;
}
@media (max-width: 700px) {
  .decision {
    grid-template-columns: 1fr;
  }
}
</style>
