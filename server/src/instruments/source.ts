// Where do readings come from? One interface, which a real instrument's driver would fill as well; here stand-ins that compute.
import {
  allGrades,
  knownDesign,
  partsOf,
  simulatedReadings,
  type Grade,
  type InstrumentReading,
  type Part,
  type SiteForm,
  type UnitForm,
  type UnitState,
} from '@yastik/core'

/** The unit that instruments are held to. */
export interface AtUnit {
  readonly unitId: string
  readonly form: Pick<UnitForm, 'family' | 'design'>
  readonly site: SiteForm['site']
  readonly state: UnitState
}

export interface InstrumentSource {
  /** One reading of every quantity now, by instruments that were put in place at `sinceMs`. */
  read(at: AtUnit, sinceMs: number, nowMs: number): InstrumentReading[]
}

/** A number that follows from an id (FNV-1a), so that a unit's hidden truth is always the same. */
function seedOf(text: string): number {
  let hash = 0x811c9dc5
  for (const letter of text) hash = Math.imul(hash ^ letter.codePointAt(0)!, 0x01000193)
  return hash >>> 0
}

/** Soil as it is in truth: what a look-over found where there was one, else what the unit's seed says. */
function hiddenSoil({ unitId, form, state }: AtUnit): Partial<Record<Part, Grade>> {
  return Object.fromEntries(partsOf[form.family].map((part) => [part, state.grades[part]?.grade ?? allGrades[1 + (seedOf(`${unitId}/${part}`) % 3)]]))
}

/** The room that instruments find where nobody measured it. */
const usualRoom = { dryBulbC: 26.4, relativeHumidity: 0.54 }

/** Instruments that compute what they would show, from the core's own models. */
export const simulatedSource: InstrumentSource = {
  read: (at, sinceMs, nowMs) =>
    simulatedReadings(
      {
        seed: seedOf(at.unitId),
        design: knownDesign(at.form.family, at.form.design).design,
        soil: hiddenSoil(at),
        state: at.state,
        room: usualRoom,
        outdoorC: at.site.outdoorAir?.dryBulbC,
        altitudeM: at.site.altitudeM,
        levelMmPerM: 2 + (seedOf(`${at.unitId}/level`) % 20) / 10,
      },
      sinceMs,
      nowMs,
    ),
}
