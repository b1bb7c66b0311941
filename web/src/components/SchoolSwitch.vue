<script setup lang="ts">
// One house rule where trades people differ: each school in a sentence, one of them followed.
import { schoolNames, schools, schoolSentences, type SchoolName } from '@yastik/core'

const props = defineProps<{ school: SchoolName; value: string; houseRule?: string; disabled?: boolean }>()
const emit = defineEmits<{ choose: [value: string] }>()
const sentence = (value: string) => (schoolSentences[props.school] as Record<string, string>)[value]
</script>

<template>
  <div class="school" role="radiogroup" :aria-label="schoolNames[school]" :data-school="school">
    <h3>{{ schoolNames[school] }}</h3>
    <button
      v-for="option in schools[school]"
      :key="option"
      class="tap option"
      role="radio"
      :aria-checked="value === option"
      :disabled="disabled"
      :data-option="option"
      @click="emit('choose', option)"
    >
      <span
        ><b>{{ option.replaceAll('-', ' ') }}</b
        ><small v-if="houseRule === option"> house rule</small><br /><small>{{ sentence(option) }}</small></span
      >
    </button>
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
</style>
