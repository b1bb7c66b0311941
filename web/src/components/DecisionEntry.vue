<script setup lang="ts">
// One decision as a sentence with its because; what was turned down, why, and what it would change.
import { byHand, type Choice } from '@yastik/core/method'
import type { Comparison, PlannedDecision } from '@yastik/core/plan'
import { ref } from 'vue'
import { useDifference } from './difference.ts'
import Tap from '../kit/Tap.vue'
import Field from '../kit/Field.vue'
import TextField from '../kit/TextField.vue'
import Fold from '../kit/Fold.vue'
import Form from '../kit/Form.vue'
import { useMeasures } from '../measures/useMeasures.ts'
import { t } from '../words/words.ts'

const { say } = useMeasures()

const difference = useDifference()
/** A line until somebody asks. */
const isOpen = ref(false)
const props = defineProps<{
  decision: PlannedDecision
  fixed: boolean
  /** What a choice would change, for those that the plan has not compared itself. */
  whatIf?: (choice: string) => Comparison | undefined
}>()
const emit = defineEmits<{ choose: [choice: string | null, because: string] }>()
const wanted = ref<string>()
const because = ref('')

const name = (choice: string) => t(`names.choice.${choice as Choice}`)
const insteadOf = ({ choice, instead }: PlannedDecision['turnedDown'][number]) =>
  instead ?? (wanted.value === choice ? props.whatIf?.(choice) : undefined)
function confirm() {
  if (wanted.value) emit('choose', wanted.value, because.value)
  wanted.value = undefined
  because.value = ''
}
</script>

<template>
  <li class="decision" :data-topic="decision.topic" :data-choice="decision.choice">
    <Fold v-model="isOpen">
      <template #title>
        <span class="line">
          <span class="topic">{{ t(`names.topic.${decision.topic}`) }}</span>
          <span
            ><b class="choice">{{ name(decision.choice) }}</b> <small v-if="decision.rule === byHand">{{ t('screen.method.hand') }}</small></span
          >
        </span>
      </template>
      <div v-if="isOpen" class="stack inside">
        <ul class="plain">
          <li v-for="(reason, at) in decision.because" :key="at">{{ say(reason) }}</li>
        </ul>
        <p v-if="decision.better" class="small">{{ t('screen.method.better-but-ruled-out-here', { name: name(decision.better) }) }}</p>
        <p v-if="decision.rule === byHand && !fixed">
          <Tap @click="emit('choose', null, '')">{{ t('screen.method.back-rule') }}</Tap>
        </p>
        <slot />
        <ul v-if="decision.turnedDown.length > 0" class="plain others" :aria-label="t('screen.method.why-not-otherwise')">
          <li v-for="{ other, instead } in decision.turnedDown.map((entry) => ({ other: entry, instead: insteadOf(entry) }))" :key="other.choice">
            <div class="spread">
              <b>{{ name(other.choice) }}</b><span v-if="instead" class="diff">{{ difference(instead) }}</span>
            </div>
            <p class="small">
              {{ say(other.because) }}<template v-if="instead?.reach">. {{ say(instead.reach) }}</template
              ><template v-if="instead?.risk">{{ t('screen.method.risk', { risk: say(instead.risk) }) }}</template>
            </p>
            <template v-if="other.standing !== 'barred' && !fixed">
              <Tap v-if="wanted !== other.choice" bare small :data-flip="other.choice" @click="wanted = other.choice">
                {{ t('screen.method.do-way-job') }}
              </Tap>
              <Form v-else inline @submit="confirm">
                <Field :label="t('screen.method.why-record')"><TextField v-model="because" name="because" required maxlength="500" /></Field
                ><Tap type="submit">{{ t('screen.method.decide') }}</Tap
                ><Tap bare @click="wanted = undefined">{{ t('screen.method.leave') }}</Tap>
              </Form>
            </template>
          </li>
        </ul>
      </div>
    </Fold>
  </li>
</template>

<style scoped>
.decision {
  border-top: var(--rule-width) solid var(--rule);
}
.line {
  display: grid;
  grid-template-columns: 10rem minmax(0, 1fr);
  gap: 0 1rem;
  flex: 1;
  text-align: left;
  align-items: baseline;
}
.topic {
  color: var(--ink-soft);
  font-weight: 400;
}
.choice {
  display: inline-block;
  font-size: 1.1rem;
}
.choice::first-letter {
  text-transform: uppercase;
}
.inside {
  padding: 0.2rem 0 0.9rem;
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
  .line {
    grid-template-columns: 8rem minmax(0, 1fr);
  }
}
</style>
