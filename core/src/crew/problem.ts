// What is to be put in time? Activities with resources and least and most time lags.
export interface Activity {
  readonly id: string
  readonly minutes: number
  /** How much of each resource it holds while it lasts. */
  readonly needs: Readonly<Record<string, number>>
  /** Besides, `count` of these single resources (people), whichever are free; named in order of preference. */
  readonly anyOf?: { readonly of: readonly string[]; readonly count: number }
  readonly place?: string
}

/** Start of `to` minus end of `from`, minutes. */
export interface Lag {
  readonly from: string
  readonly to: string
  readonly leastMin: number
  readonly mostMin?: number
}

/** A resource that stays in use from the start of one activity to the end of another, which follows it: without `from` since before, without `to` for good. */
export interface Hold {
  readonly resource: string
  readonly amount: number
  readonly from?: string
  readonly to?: string
}

export interface Problem {
  readonly activities: readonly Activity[]
  readonly lags: readonly Lag[]
  readonly holds?: readonly Hold[]
  /** Capacity of each resource. */
  readonly resources: Readonly<Record<string, number>>
}

export interface ScheduleOptions {
  /** Of the random moves; the same seed gives the same schedule. */
  readonly seed?: number
  /** How many activities may be placed in all while looking for something better. */
  readonly effort?: number
  /** Share of the lower bound that a finish may lie above it and be good enough: nothing better is looked for then. */
  readonly within?: number
  /** Asked between two tries; once aborted, the best so far is the answer. */
  readonly signal?: { readonly aborted: boolean }
}

/** Only a schedule that may end before this is looked for; where the lower bound is not below it, none is. */
export interface BoundedOptions extends ScheduleOptions {
  readonly below: number
}

export interface Schedule {
  readonly starts: Readonly<Record<string, number>>
  /** Which of `anyOf` each activity got. */
  readonly chosen: Readonly<Record<string, readonly string[]>>
  readonly finishMin: number
  readonly lowerBoundMin: number
  /** Whether no shorter schedule can exist: finish equals the lower bound. */
  readonly provedBest: boolean
}
