<script setup lang="ts">
// One house rule where trades people differ: each school in a sentence with what it brings, one of them followed.
import { schoolNames, schools, schoolSentences, type SchoolName } from '@yastik/core/method'
import { ref } from 'vue'

const props = defineProps<{
  school: SchoolName
  value: string
  houseRule?: string
  disabled?: boolean
  /** What each value brings, in words. */
  brings?: Readonly<Record<string, string>>
  /** Whether a change asks for its reason: for one job it does, as a house rule it does not. */
  asksWhy?: boolean
}>()
const emit = defineEmits<{ choose: [value: string, because: string] }>()
const wanted = ref<string>()
const because = ref('')
const sentence = (value: string) => (schoolSentences[props.school] as Record<string, string>)[value]

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
  <div class="school" role="radiogroup" :aria-label="schoolNames[school]" :data-school="school">
    <h3>{{ schoolNames[school] }}</h3>
    <template v-for="option in schools[school]" :key="option">
      <button
        class="tap option"
        role="radio"
        type="button"
        :aria-checked="value === option"
        :disabled="disabled"
        :data-option="option"
        @click="choose(option)"
      >
        <span
          ><b>{{ option.replaceAll('-', ' ') }}</b
          ><small v-if="houseRule === option"> house rule</small><br /><small>{{ sentence(option) }}</small
          ><template v-if="brings?.[option]"
            ><br /><small class="brings" :data-brings="option">{{ brings[option] }}</small></template
          ></span
        >
      </button>
      <form v-if="wanted === option" class="row why" @submit.prevent="confirm">
        <label class="field"
          ><span>Why, for the record</span><input v-model="because" name="school-because" class="line" required maxlength="500" /></label
        ><button class="tap" type="submit">Decide so</button><button class="tap bare" type="button" @click="wanted = undefined">Leave it</button>
      </form>
    </template>
  </div>
</template>

<style scoped>
.school {
  display: flex;
  flex-direction: column;
}
.option {
  justify-content: flex-start;
  text-align: left;
  margin-top: calc(-1 * var(--rule-width));
}
h3 + .option {
  margin-top: 0.3rem;
}
.option[aria-checked='true'] small {
  color: inherit;
}
.brings {
  font-weight: 600;
}
.why {
  padding: 0.6rem 0;
}
</style>
