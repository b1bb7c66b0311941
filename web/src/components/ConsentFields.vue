<script setup lang="ts">
// Whether the customer agreed to be written to, where, and when.
import type { Reminders } from '@yastik/core/wire'
import { ElInput } from 'element-plus/es/components/input/index'
import 'element-plus/theme-chalk/el-input.css'
import dayjs from 'dayjs'
import { serverNow } from '../api/clock.ts'

const props = defineProps<{ modelValue: Reminders | undefined }>()
const emit = defineEmits<{ 'update:modelValue': [value: Reminders | undefined] }>()
const ways = [
  ['none', 'not at all'],
  ['text', 'by text'],
  ['mail', 'by mail'],
] as const
const today = () => dayjs(serverNow()).format('YYYY-MM-DD')
function choose(way: (typeof ways)[number][0]) {
  if (way === (props.modelValue?.channel ?? 'none')) return
  emit('update:modelValue', way === 'none' ? undefined : { channel: way, to: '', agreedOn: today() })
}
const set = (part: Partial<Pick<Reminders, 'to' | 'agreedOn'>>) => props.modelValue && emit('update:modelValue', { ...props.modelValue, ...part })
</script>

<template>
  <div class="field" role="radiogroup" aria-label="The customer agreed to be written to">
    <span>The customer agreed to be written to</span>
    <div class="chips">
      <button
        v-for="[way, says] in ways"
        :key="way"
        type="button"
        class="tap"
        role="radio"
        :aria-checked="(modelValue?.channel ?? 'none') === way"
        :data-write-by="way"
        @click="choose(way)"
      >
        {{ says }}
      </button>
    </div>
  </div>
  <template v-if="modelValue">
    <label class="field"
      ><span>{{ modelValue.channel === 'text' ? 'Telephone for texts' : 'Mail address' }}</span
      ><ElInput :model-value="modelValue.to" name="write-to" @update:model-value="set({ to: String($event) })"
    /></label>
    <label class="field"
      ><span>Agreed on</span
      ><input
        class="line"
        type="date"
        name="agreed-on"
        :value="modelValue.agreedOn"
        @input="set({ agreedOn: ($event.target as HTMLInputElement).value })"
    /></label>
  </template>
</template>
