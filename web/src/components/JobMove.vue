<script setup lang="ts">
// A visit on another day, with other people, or not at all.
import { endpoints, type JobCard } from '@yastik/core/wire'
import { computed, ref } from 'vue'
import { ask } from '../api/client.ts'
import { useAsked, useDoing } from '../api/useServer.ts'
import CrewPick from './CrewPick.vue'
import FaultNote from '../kit/FaultNote.vue'
import Field from '../kit/Field.vue'
import DayField from '../kit/DayField.vue'
import Tap from '../kit/Tap.vue'

const props = defineProps<{ job: JobCard }>()
const emit = defineEmits<{ changed: []; close: [] }>()
const onDate = ref(props.job.onDate)
const crewIds = ref<number[]>([...props.job.crewIds])
const asked = useAsked(endpoints.crew, () => ({}))
await asked.ready()
const crew = computed(() => asked.said.value ?? [])
const sure = ref(false)
const doing = useDoing()
const error = computed(() => doing.error.value ?? asked.error.value)
async function change(how: (job: { params: { id: string }; revision: number }) => Promise<unknown>) {
  if (await doing.run(() => how({ params: { id: props.job.id }, revision: props.job.revision }))) emit('changed')
}
const move = () =>
  change(({ params, revision }) => ask(endpoints.moveJob, { params, body: { onDate: onDate.value, crewIds: crewIds.value, revision } }))
const cancel = () => change(({ params, revision }) => ask(endpoints.cancelJob, { params, body: { revision } }))
</script>

<template>
  <div class="move" data-job-move>
    <Field label="Day"><DayField v-model="onDate" name="move-to" /></Field>
    <CrewPick v-model="crewIds" :crew="crew" />
    <Tap now :disabled="crewIds.length === 0 || onDate === ''" data-move-it @click="move">Save</Tap>
    <Tap v-if="!sure" data-cancel @click="sure = true">Cancel the visit</Tap>
    <Tap v-else data-cancel-sure @click="cancel">Yes, nobody goes there</Tap>
    <Tap bare @click="emit('close')">Leave it</Tap>
    <FaultNote :error="error" />
  </div>
</template>

<style scoped>
.move {
  display: flex;
  flex-wrap: wrap;
  gap: 0.8rem;
  align-items: end;
  border-top: var(--rule-width) solid var(--rule);
  padding: 0.6rem 0;
}
.move .line {
  min-width: 10rem;
}
</style>
