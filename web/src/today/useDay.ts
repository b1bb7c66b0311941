// A day of visits as it goes: who is where when, reckoned anew with every minute, and asked anew while somebody looks.
import { crewKey, dayStops, type DayStop } from '@yastik/core/rounds'
import { endpoints, type DayOutlook, type JobCard } from '@yastik/core/wire'
import { computed, onBeforeUnmount, ref, shallowRef, type ComputedRef, type Ref } from 'vue'
import { useNow } from '../components/useNow.ts'
import { usePlace } from '../measures/usePlace.ts'
import { askOrKept, keptSince } from '../offline/shelf.ts'
import { visitOf, type Outlook } from './reckon.ts'

/** Others work meanwhile: so often is asked how far they are. */
const againMs = 60_000
const minuteMs = 60_000
/** Times that are younger stand until newer ones are there: a page that opens with them does not jump. */
const youngMs = 10 * minuteMs
/** Nobody waits longer for times before the page opens without. */
const patienceMs = 1000
const pause = (ms: number) => new Promise((done) => setTimeout(done, ms))

/** A visit of the day, with what is known of it so far. */
export interface DayCard {
  readonly job: JobCard
  readonly outlook?: Outlook
  readonly stop?: DayStop
}
export interface Crew {
  readonly key: string
  readonly people: readonly string[]
  readonly ids: readonly number[]
  readonly cards: readonly DayCard[]
}

export interface Day {
  readonly day: ComputedRef<string>
  readonly cards: ComputedRef<DayCard[]>
  readonly cancelled: ComputedRef<JobCard[]>
  readonly left: ComputedRef<JobCard[]>
  readonly coming: ComputedRef<JobCard[]>
  /** Cards of people who go together, in the order of the day. */
  readonly crews: ComputedRef<Crew[]>
  readonly nowMin: ComputedRef<number>
  /** Whether this is what the server said last, not now. */
  readonly fromDevice: Ref<boolean>
  readonly error: Ref<unknown>
  /** @returns ids of the visits of the day, once they are there */
  load(): Promise<readonly string[]>
}

export function useDay(): Day {
  const place = usePlace()
  const now = useNow()
  const day = computed(() => place.dayOf(now.value))
  const jobs = shallowRef<{ today: JobCard[]; coming: JobCard[] }>({ today: [], coming: [] })
  const outlook = shallowRef<DayOutlook>()
  const fromDevice = ref(false)
  const error = shallowRef<unknown>()

  async function load(): Promise<readonly string[]> {
    error.value = undefined
    const query = { day: day.value }
    try {
      const asked = askOrKept(endpoints.today, { query })
      const told = askOrKept(endpoints.dayOutlook, { query }).then(
        (said) => void (outlook.value = said.answer),
        (caught: unknown) => void (error.value = caught),
      )
      const { answer, kept } = await asked
      if (!outlook.value) {
        const before = await keptSince(endpoints.dayOutlook, { query }, Date.now() - youngMs)
        const known = new Set(before?.visits.map(({ jobId }) => jobId))
        if (before && answer.today.every(({ id, onDate, cancelled }) => known.has(id) || cancelled || onDate < query.day)) outlook.value ??= before
        else await Promise.race([told, pause(patienceMs)])
      }
      ;[jobs.value, fromDevice.value] = [answer, kept]
      return kept ? [] : answer.today.map(({ id }) => id)
    } catch (caught) {
      error.value = caught
      return []
    }
  }
  const woke = () => document.visibilityState === 'visible' && void load()
  // Nobody looks at a page that is hidden.
  const timer = setInterval(woke, againMs)
  document.addEventListener('visibilitychange', woke)
  onBeforeUnmount(() => {
    clearInterval(timer)
    document.removeEventListener('visibilitychange', woke)
  })

  const nowMin = computed(() => place.minuteOf(Math.floor(now.value / minuteMs) * minuteMs))
  const ofDay = computed(() => jobs.value.today.filter(({ onDate }) => onDate === day.value))
  const cards = computed<DayCard[]>(() => {
    const told = outlook.value?.day === day.value ? outlook.value : undefined
    const known = new Map(told?.visits.map((visit) => [visit.jobId, visit]))
    const open = ofDay.value.filter(({ cancelled }) => !cancelled)
    if (!told) return open.map((job) => ({ job }))
    // Minutes that are left count from when they were reckoned.
    const sinceMin = Math.max(0, (now.value - told.atMs) / minuteMs)
    const visits = open.map((job) => {
      const own = known.get(job.id)
      const isUnderWay = own && own.beganAtMs !== null && own.endedAtMs === null
      const leftMin = own?.leftMin
      const left = typeof leftMin === 'number' && isUnderWay ? Math.max(0, Math.round(leftMin - sinceMin)) : leftMin
      return visitOf(job, own && { ...own, leftMin: left ?? null }, day.value, place)
    })
    const byId = new Map(open.map((job) => [job.id, job]))
    return dayStops(visits, nowMin.value).flatMap((stop) => {
      const job = byId.get(stop.id)
      const own = known.get(stop.id)
      return job ? [{ job, stop, ...(own ? { outlook: own } : {}) }] : []
    })
  })
  const crews = computed<Crew[]>(() => {
    const byKey = new Map<string, { people: readonly string[]; ids: readonly number[]; cards: DayCard[] }>()
    for (const card of cards.value) {
      const { crew: people, crewIds } = card.job
      const key = crewKey(crewIds)
      const known = byKey.get(key)
      if (known) known.cards.push(card)
      else byKey.set(key, { people, ids: crewIds, cards: [card] })
    }
    return [...byKey].map(([key, crew]) => ({ key, ...crew }))
  })
  return {
    day,
    cards,
    crews,
    nowMin,
    cancelled: computed(() => ofDay.value.filter(({ cancelled }) => cancelled)),
    left: computed(() => jobs.value.today.filter(({ onDate, cancelled }) => onDate < day.value && !cancelled)),
    coming: computed(() => jobs.value.coming),
    fromDevice,
    error,
    load,
  }
}
