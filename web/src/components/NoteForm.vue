<script setup lang="ts">
// A note for the record: of a unit, or of the visit.
import { ref } from 'vue'
import Field from '../kit/Field.vue'
import Form from '../kit/Form.vue'
import Tap from '../kit/Tap.vue'
import TextField from '../kit/TextField.vue'
import { useJob } from '../stores/job.ts'
import { t } from '../words/words.ts'

const props = defineProps<{ list: string; label: string; name: string }>()
const job = useJob()
const text = ref('')
async function note() {
  if (text.value.trim() === '') return
  await job.add(props.list, { type: 'note', text: text.value.trim() })
  text.value = ''
}
</script>

<template>
  <Form inline @submit="note">
    <Field :label="label"><TextField v-model="text" :name="name" maxlength="2000" /></Field>
    <Tap type="submit" data-note>{{ t('screen.work.note') }}</Tap>
  </Form>
</template>
