<script setup lang="ts">
// The crew's day: all units of the visit that were looked over, from now on; who does what, what sets the end, what would shorten it.
import { onlySteps, stageWorkOf, type CrewDay, type StageWork, type TimelineTask, type UnitSteps } from '@yastik/core/crew'
import { Fault } from '@yastik/core/faults'
import { visitId } from '@yastik/core/procedure'
import { clockWords, durationWords } from '@yastik/core/quantities'
import { isLongDay } from '@yastik/core/rounds'
import { computed, defineAsyncComponent, ref, shallowRef, watch } from 'vue'
import { RouterLink } from 'vue-router'
import { serverNow } from '../api/clock.ts'
import { useCrewDay } from '../crewDay/askDay.ts'
import CrewTasks from '../crewDay/CrewTasks.vue'
import FaultNote from '../kit/FaultNote.vue'
import { useNames } from '../job/useNames.ts'
import { useJob } from '../stores/job.ts'
import { usePlanning } from '../stores/planning.ts'
import Tabs from '../kit/Tabs.vue'
import Tap from '../kit/Tap.vue'
import { useMeasures } from '../measures/useMeasures.ts'
import { usePlace } from '../measures/usePlace.ts'
import { t } from '../words/words.ts'

// Fetched while the day is put in order: it is drawn with its figures, and pushes nothing down.
const chart = import('../crewDay/CrewChart.vue')
const CrewChart = defineAsyncComponent(() => chart)

defineProps<{ jobId: string; unitId: string }>()
const job = useJob()
const planning = usePlanning()
const askDay = useCrewDay()
const units = shallowRef<UnitSteps[]>([])
const day = shallowRef<CrewDay>()
const fault = shallowRef<Fault>()
const crew = computed(() => job.record?.crew ?? [])
const people = computed(() => crew.value.map(({ name }) => name))
/** The lists of units alone, without what the visit asks for. */
const atUnits = computed(() => units.value.filter(({ id }) => id !== visitId))
const letterOf = (id: string) => (id === visitId ? 'V' : String.fromCharCode(65 + atUnits.value.findIndex((unit) => unit.id === id)))
const { unitName } = useNames()
const { say } = useMeasures()
const missing = computed(() =>
  (job.record?.unitIds ?? []).filter((id) => !units.value.some((unit) => unit.id === id) && !job.stateFor(id).handedOver),
)

const isNoSchedule = (error: unknown): error is Fault => error instanceof Fault && error.code === 'no-schedule'
async function compute() {
  const own = planning.visitSteps(serverNow())
  fromMin.value = place.minuteOf(serverNow())
  units.value = own
  if (own.length === 0) return
  await chart
  if (units.value !== own) return
  try {
    const found = await askDay(own, crew.value, job.record?.equipment ?? [], (whole) => {
      if (units.value === own) day.value = whole
    })
    if (units.value !== own) return
    // What would shorten it comes after it; on a quick device it may be here already.
    ;[day.value, fault.value] = [found, undefined]
  } catch (error) {
    if (!isNoSchedule(error)) throw error
    if (units.value === own) [day.value, fault.value] = [undefined, error]
  }
}

const place = usePlace()
const fromMin = ref(place.minuteOf(serverNow()))
const sides = [
  { value: 'chart' as const, says: t('screen.crew.time') },
  { value: 'list' as const, says: t('screen.crew.list') },
]
const side = ref<'chart' | 'list'>('chart')
const works = computed(() => (day.value ? stageWorkOf(day.value.timeline.tasks, units.value) : []))
/** What is picked, as the day has it now: a stage, or some of its steps. */
const pickedOf = ref<{ unitId: string; steps: readonly string[] }>()
const picked = computed({
  get: () => {
    const { unitId, steps = [] } = pickedOf.value ?? {}
    const work = works.value.find((own) => own.unitId === unitId && own.tasks.some(({ step }) => step === steps[0]))
    return work && onlySteps(work, steps)
  },
  set: (work: StageWork | undefined) => (pickedOf.value = work && { unitId: work.unitId, steps: work.tasks.map(({ step }) => step) }),
})
const stepOf = (task: TimelineTask | undefined) => task && units.value.find(({ id }) => id === task.unitId)?.steps.find(({ id }) => id === task.step)
const isGiven = ({ unitId, tasks }: StageWork) => {
  const { given = {} } = units.value.find(({ id }) => id === unitId) ?? {}
  return tasks.some(({ step }) => given[step] !== undefined)
}
/** What came of the last giving: how the end moved, or why it cannot be. */
const outcome = ref('')
const cannot = shallowRef<Fault>()
const trying = ref(false)

/** Gives steps of a stage to somebody, `undefined` to whoever is free: tried first, and put on record only where the day still works out. */
async function give({ unitId, tasks }: StageWork, to?: string) {
  if (trying.value || !day.value) return
  outcome.value = ''
  cannot.value = undefined
  trying.value = true
  const beforeMin = day.value.timeline.finishMin
  const steps = tasks.map(({ step }) => step)
  const tried = units.value.map((unit) => {
    if (unit.id !== unitId) return unit
    const others = Object.fromEntries(Object.entries(unit.given ?? {}).filter(([step]) => !steps.includes(step)))
    return { ...unit, given: { ...others, ...(to === undefined ? {} : Object.fromEntries(steps.map((step) => [step, to]))) } }
  })
  try {
    const { timeline } = await askDay(tried, crew.value, job.record?.equipment ?? [])
    const laterMin = Math.round(timeline.finishMin - beforeMin)
    for (const step of steps) await job.add(unitId, { type: 'step-given', stepId: step, to: crew.value.find(({ name }) => name === to)?.id ?? null })
    const moved =
      laterMin === 0
        ? t('screen.crew.end-stays')
        : t('screen.crew.end-comes-min', { laterMin: Math.abs(laterMin), later: laterMin > 0 ? t('screen.crew.later') : t('screen.crew.sooner') })
    outcome.value = `${to ?? t('screen.crew.whoever-free')}: ${moved}.`
    picked.value = undefined
  } catch (error) {
    if (!isNoSchedule(error)) throw error
    cannot.value = error
  } finally {
    trying.value = false
  }
}
const givenSteps = computed(() => units.value.flatMap(({ id, given = {} }) => Object.keys(given).map((step) => ({ unitId: id, step }))))
async function giveBackAll() {
  for (const { unitId, step } of givenSteps.value) await job.add(unitId, { type: 'step-given', stepId: step, to: null })
}

watch(() => job.events.length, compute, { immediate: true })
const first = computed(() =>
  people.value.map((person) => {
    const task = day.value?.timeline.tasks.find(({ who }) => who.includes(person))
    return { person, task, step: stepOf(task) }
  }),
)
</script>

<template>
  <div class="stack" data-crew-day>
    <div class="spread">
      <h2>{{ t('screen.crew.crews-day-now') }}</h2>
      <Tap :to="{ name: 'visit', params: { jobId, unitId } }">{{ t('screen.visit.title') }}</Tap>
    </div>
    <p v-if="units.length === 0">
      {{ t('screen.crew.nothing-looked-over-yet') }}
      <RouterLink :to="{ name: 'look-over', params: { jobId, unitId } }">{{ t('screen.crew.grade-first-unit') }}</RouterLink>{{
        t('screen.crew.work-put-time-here')
      }}
    </p>
    <div v-else-if="fault" class="stack">
      <FaultNote :error="fault" />
      <p v-if="givenSteps.length > 0">
        <Tap @click="giveBackAll">{{ t('screen.crew.take-back-given') }}</Tap>
      </p>
    </div>
    <p v-else-if="!day" role="status">
      {{ t('screen.crew.putting-order', { units: atUnits.length }) }}
    </p>
    <template v-else>
      <div class="figures" data-day-figures>
        <div>
          <span class="figure"
            >{{ durationWords(day.timeline.finishMin)
            }}<small>{{ t('screen.crew.these-people-until', { fromMin: clockWords(fromMin + day.timeline.finishMin) }) }}</small></span
          >
        </div>
        <div>
          <span class="figure"
            >{{ durationWords(day.timeline.lowerBoundMin) }}<small>{{ t('screen.crew.no-order-shorter') }}</small></span
          >
        </div>
        <div>
          <span class="figure"
            >{{ Math.round(100 * day.timeline.busyShare) }} %<small>{{ t('screen.crew.somebody-works') }}</small></span
          >
        </div>
        <div>
          <span class="figure"
            >{{ atUnits.length }}<small>{{ t('screen.crew.units-2') }}</small></span
          >
        </div>
      </div>
      <p v-if="isLongDay(fromMin + day.timeline.finishMin)" class="over" role="status" data-over>
        {{ t('screen.crew.longer-than-day-leave-unit') }}
      </p>
      <Tabs v-model="side" :options="sides">
        <template #chart>
          <CrewChart
            :day="day"
            :units="units"
            :people="people"
            :letter-of="letterOf"
            :works="works"
            :picked="picked"
            :from-min="fromMin"
            @pick="picked = $event"
            @give="give"
          />
        </template>
        <template #list><CrewTasks :day="day" :units="units" :works="works" :picked="picked" :from-min="fromMin" @pick="picked = $event" /></template>
      </Tabs>
      <div v-if="picked" class="picked" data-picked>
        <p>
          <b>{{ unitName(picked.unitId) }}: {{ say(picked.stage) }}</b>
          <small
            >{{ ' '
            }}{{
              t('screen.crew.from-to', {
                who: { and: picked.who },
                fromMin: clockWords(fromMin + picked.startMin),
                fromMin2: clockWords(fromMin + picked.endMin),
                given: isGiven(picked) ? t('screen.crew.given') : '',
              })
            }}</small
          >
        </p>
        <ul class="plain small">
          <li v-for="task in picked.tasks" :key="task.step">
            {{ say(stepOf(task)?.title ?? '') }}
            <Tap v-if="picked.tasks.length > 1" bare small :data-pick-one="task.step" @click="picked = onlySteps(picked, [task.step])">{{
              t('screen.crew.this-alone')
            }}</Tap>
          </li>
        </ul>
        <div class="row">
          <Tap v-for="person in people.filter((name) => !picked!.who.includes(name))" :key="person" @click="give(picked, person)">
            {{ t('screen.crew.give', { person }) }}
          </Tap>
          <Tap v-if="isGiven(picked)" @click="give(picked)">{{ t('screen.crew.whoever-free') }}</Tap>
          <Tap bare @click="picked = undefined">{{ t('screen.crew.close') }}</Tap>
        </div>
      </div>
      <p v-if="trying" role="status">{{ t('screen.crew.trying') }}</p>
      <p v-if="outcome" role="status" data-outcome>{{ outcome }}</p>
      <FaultNote :error="cannot" />
      <div class="three">
        <section>
          <h3>{{ t('screen.crew.next-each') }}</h3>
          <ul class="plain">
            <li v-for="{ person, task, step } in first" :key="person">
              <b>{{ person }}</b>:
              <template v-if="task && step"
                >{{ unitName(task.unitId) }} — {{ say(step.title) }}<small v-if="step.part"> ({{ t(`names.part.${step.part}`) }})</small></template
              ><template v-else>{{ t('screen.crew.nothing-do') }}</template>
            </li>
          </ul>
        </section>
        <section>
          <h3>{{ t('screen.frame.units') }}</h3>
          <ul class="plain">
            <li v-for="unit in atUnits" :key="unit.id">
              <b class="letter">{{ letterOf(unit.id) }}</b>
              <RouterLink :to="{ name: 'method', params: { jobId, unitId: unit.id } }">{{ unitName(unit.id) }}</RouterLink>
            </li>
          </ul>
          <p v-if="missing.length > 0" class="small">{{ t('screen.crew.not-looked-over-yet-not', { missing: missing.map(unitName).join(', ') }) }}</p>
        </section>
        <section>
          <h3>{{ t('screen.crew.would-shorten') }}</h3>
          <p v-if="!day.gains" role="status">{{ t('screen.crew.reckoning') }}</p>
          <p v-else-if="day.gains.length === 0">{{ t('screen.crew.neither-one-more-person-nor') }}</p>
          <ul v-else class="plain" data-gains>
            <li v-for="gain in day.gains" :key="say(gain.what)">
              <b>−{{ gain.savesMin }} min</b> {{ say(gain.what) }}
            </li>
          </ul>
          <p class="small">{{ t('screen.crew.sets-end-drawn-dark-minute') }}</p>
        </section>
      </div>
    </template>
  </div>
</template>

<style scoped>
.over {
  border-left: 6px double var(--now);
  padding-left: 0.6rem;
}
.picked small {
  margin-left: 0.6rem;
}
.picked {
  border: 2px solid var(--ink);
  padding: 0.5rem 0.8rem;
}
.three {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(16rem, 1fr));
  gap: 1.4rem 2rem;
}
.letter {
  margin-right: 0.6rem;
}
.three li {
  border-bottom: var(--rule-width) solid var(--rule);
  padding: 0.3rem 0;
}
</style>
