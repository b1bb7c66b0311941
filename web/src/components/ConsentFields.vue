<script setup lang="ts">
// Whether the customer agreed to be written to, where, and when.
import type { Reminders } from '@yastik/core/wire'
import Field from '../kit/Field.vue'
import TextField from '../kit/TextField.vue'
import DayField from '../kit/DayField.vue'
import Choice from '../kit/Choice.vue'
import { usePlace } from '../measures/usePlace.ts'
import { t } from '../words/words.ts'

const props = defineProps<{ modelValue: Reminders | undefined }>()
const emit = defineEmits<{ 'update:modelValue': [value: Reminders | undefined] }>()
const ways = [
  { value: 'none', says: t('screen.sites.not-all') },
  { value: 'text', says: t('screen.sites.text-2') },
  { value: 'mail', says: t('screen.sites.mail-2') },
] as const
const { today } = usePlace()
function choose(way: (typeof ways)[number]['value']) {
  if (way === (props.modelValue?.channel ?? 'none')) return
  emit('update:modelValue', way === 'none' ? undefined : { channel: way, to: '', agreedOn: today() })
}
const set = (part: Partial<Pick<Reminders, 'to' | 'agreedOn'>>) => props.modelValue && emit('update:modelValue', { ...props.modelValue, ...part })
</script>

<template>
  <Field :label="t('screen.sites.customer-agreed-written')">
    <Choice mark="write-by" :model-value="modelValue?.channel ?? 'none'" :options="ways" @update:model-value="choose" />
  </Field>
  <template v-if="modelValue">
    <Field where="reminders.to" :label="modelValue.channel === 'text' ? t('screen.sites.telephone-texts') : t('screen.sites.mail-address')"
      ><TextField :model-value="modelValue.to" name="write-to" @update:model-value="set({ to: $event })"
    /></Field>
    <Field where="reminders.agreedOn" :label="t('screen.sites.agreed')"
      ><DayField name="agreed-on" :model-value="modelValue.agreedOn" @update:model-value="set({ agreedOn: $event })"
    /></Field>
  </template>
</template>
