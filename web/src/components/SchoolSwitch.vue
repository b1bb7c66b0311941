<script setup lang="ts">
// One house rule where trades people differ: each school in a sentence with what it brings, one of them followed.
import { schools, type SchoolName } from '@yastik/core/method'
import { nameOf } from '@yastik/core/words'
import { ref } from 'vue'
import { optionsOf } from '../kit/option.ts'
import Field from '../kit/Field.vue'
import TextField from '../kit/TextField.vue'
import Tap from '../kit/Tap.vue'
import Choice from '../kit/Choice.vue'
import Form from '../kit/Form.vue'
import { say, t } from '../words/words.ts'

const props = defineProps<{
  school: SchoolName
  value: string
  houseRule?: string
  disabled?: boolean
  /** What each value brings, in words. */
  brings?: Readonly<Record<string, string>>
  /** Whether a change asks for its reason: for one job it does, as a house rule it does not. */
  asksWhy?: boolean
  /** Of its heading. */
  level: 2 | 3
}>()
const emit = defineEmits<{ choose: [value: string, because: string] }>()
const wanted = ref<string>()
const because = ref('')

function choose(option: string) {
  if (option === props.value) return
  // Back to the firm's own rule needs no reason.
  if (props.asksWhy && option !== props.houseRule) wanted.value = option
  else emit('choose', option, '')
}
function confirm() {
  if (wanted.value) emit('choose', wanted.value, because.value.trim())
  wanted.value = undefined
  because.value = ''
}
</script>

<template>
  <div class="school" :data-school="school">
    <component :is="`h${level}`" class="minor">{{ t(`names.schoolTopic.${school}`) }}</component>
    <Choice
      class="options"
      mark="option"
      :label="t(`names.schoolTopic.${school}`)"
      :model-value="value"
      :options="optionsOf(schools[school], (option) => t(`names.school.${option}`))"
      :disabled="disabled"
      @update:model-value="choose"
    >
      <template #default="{ option }">
        <span>
          <b>{{ option.says }}</b>
          <small v-if="houseRule === option.value">{{ ' ' }}{{ t('screen.method.house-rule') }}</small
          ><br /><small>{{ say(nameOf('schoolSentence', option.value)) }}</small
          ><template v-if="brings?.[option.value]"
            ><br /><small class="brings" :class="{ keeps: level === 2 }" :data-brings="option.value">{{ brings[option.value] }}</small></template
          >
        </span>
      </template>
    </Choice>
    <Form v-if="wanted !== undefined" inline class="why" @submit="confirm">
      <Field :label="t('screen.method.why-record-2', { wanted: say(nameOf('school', wanted)) })"
        ><TextField v-model="because" name="school-because" required maxlength="500" /></Field
      ><Tap type="submit">{{ t('screen.method.decide') }}</Tap
      ><Tap bare @click="wanted = undefined">{{ t('screen.method.leave') }}</Tap>
    </Form>
  </div>
</template>

<style scoped>
.school {
  display: flex;
  flex-direction: column;
  gap: 0.3rem;
}
.options {
  flex-direction: column;
  align-items: stretch;
  gap: 0;
}
.options :deep(.el-radio-button:not(:first-child)) {
  margin-top: calc(-1 * var(--rule-width));
}
.options :deep(.el-radio-button__inner) {
  width: 100%;
  text-align: left;
  padding: 0.4rem 0.9rem;
}
.options small {
  color: inherit;
}
.brings {
  display: inline-block;
  font-weight: 600;
}
/* What is still reckoned keeps its place. */
.brings.keeps {
  min-height: 2.6em;
}
.why {
  padding: 0.6rem 0;
}
</style>
