// What is a place in the demo?
import type { Complaint, Finding, Grades } from '@yastik/core/lookover'
import type { PartNeed } from '@yastik/core/run'
import type { Design, Family } from '@yastik/core/units'
import type { SiteForm } from '@yastik/core/wire'

export interface DemoUnit {
  readonly key: string
  readonly name: string
  /** A wall head where nothing else is said. */
  readonly family?: Family
  readonly design: Design
  readonly hoursPerDay: number
  /** What it is isolated with, where that is said. */
  readonly supply?: string
  /** Look-overs of past visits, oldest first: days ago, complaints, grades. */
  readonly past: readonly {
    daysAgo: number
    complaints: Complaint[]
    grades: Grades
    by: 'imre' | 'sanna' | 'mira'
    findings?: Finding[]
    parts?: { item: string; need: PartNeed }[]
  }[]
}

export interface DemoSite {
  readonly key: string
  readonly form: SiteForm
  /** Closed on the weekday that comes so many days after the demo was loaded: on none on which anybody was or will be sent there. */
  readonly closedInDays?: number
  readonly units: readonly DemoUnit[]
}
