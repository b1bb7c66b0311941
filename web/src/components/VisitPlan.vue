<script setup lang="ts">
// The next visit to a site: which day and who goes; or first what it would cost.
import { endpoints, type JobCard } from '@yastik/core/wire'
import { computed, ref } from 'vue'
import { useRouter } from 'vue-router'
import { ask } from '../api/client.ts'
import { useAsked, useDoing } from '../api/useServer.ts'
import DayField from '../kit/DayField.vue'
import Field from '../kit/Field.vue'
import Form from '../kit/Form.vue'
import Tap from '../kit/Tap.vue'
import { usePlace } from '../measures/usePlace.ts'
import CrewPick from './CrewPick.vue'
import TimePick from './TimePick.vue'
import { missingForVisit } from './visitMissing.ts'
import { t } from '../words/words.ts'

const props = defineProps<{
  siteId: string
  unitIds: readonly string[]
  mayQuote: boolean
  /** Whether this is what to do now. */
  now: boolean
  /** What is filled in at first; today, and the first two of the firm, where nothing is said. */
  start?: { onDate: string; crewIds: readonly number[] }
  /** On the button that plans it. */
  says?: string
}>()
const emit = defineEmits<{ planned: [job: JobCard] }>()
const router = useRouter()
const onDate = ref(props.start?.onDate ?? usePlace().today())
const startMin = ref<number | null>(null)
const asked = useAsked(endpoints.crew, () => ({}))
await asked.ready()
const crew = computed(() => asked.said.value ?? [])
// Who left the firm since is not sent again.
const before = crew.value.filter(({ id }) => props.start?.crewIds.includes(id))
const crewIds = ref<number[]>((before.length > 0 ? before : crew.value.slice(0, 2)).map(({ id }) => id))
/** What keeps the visit from being planned. */
const missing = computed(() => (props.unitIds.length === 0 ? t('screen.sites.tick-unit-2') : missingForVisit(crewIds.value, onDate.value)))
const doing = useDoing()
const error = computed(() => doing.error.value ?? asked.error.value)
const plan = () =>
  doing.run(async () => {
    const body = { siteId: props.siteId, unitIds: [...props.unitIds], onDate: onDate.value, startMin: startMin.value, crewIds: crewIds.value }
    emit('planned', await ask(endpoints.makeJob, { body }))
  })
/** The soil is as it was seen or is expected; the quote's sheet says which, and takes another. */
const quote = () =>
  doing.run(async () => {
    const { id } = await ask(endpoints.makeQuote, { body: { siteId: props.siteId, units: props.unitIds.map((unitId) => ({ unitId })) } })
    await router.push({ name: 'quote', params: { quoteId: id } })
  })
</script>

<template>
  <Form class="ruled visit" data-visit-plan :fault="error" @submit="plan">
    <div class="row inline">
      <Field where="onDate" :label="t('screen.sites.day-visit')"><DayField v-model="onDate" name="on-date" /></Field>
      <Field where="startMin" :label="t('screen.sites.begins')"><TimePick v-model="startMin" name="start-at" /></Field>
      <Field where="crewIds" :label="t('screen.frame.goes')"><CrewPick v-model="crewIds" :crew="crew" /></Field>
      <Tap type="submit" :now="now" :off="missing" :disabled="doing.busy.value">{{ says ?? t('screen.sites.start-visit') }}</Tap>
      <Tap v-if="mayQuote" :off="unitIds.length === 0 ? t('screen.sites.tick-unit') : ''" data-make-quote @click="quote">{{
        t('screen.sites.make-quote')
      }}</Tap>
    </div>
  </Form>
</template>

<style scoped>
.visit {
  padding: 0.9rem;
}
.visit .row {
  gap: 1.5rem;
}
</style>
