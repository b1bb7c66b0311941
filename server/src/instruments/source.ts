// Where do readings come from? One interface, which a real instrument's driver would fill as well; here stand-ins that compute.
import { setImmediate } from 'node:timers/promises'
import {
  allGrades,
  drawSample,
  knownDesign,
  partsOf,
  simulatedReadings,
  simulatedShot,
  type Grade,
  type InstrumentReading,
  type Part,
  type SiteForm,
  type UnitForm,
  type UnitState,
} from '@yastik/core'
import sharp from 'sharp'

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
  /** A photograph of a part, as JPEG; undefined for parts of which there is nothing to measure. `shot` tells one from the next. */
  photograph(at: AtUnit, part: Part, shot: number): Promise<Buffer | undefined>
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

const hiddenTruth = (at: AtUnit) => ({ seed: seedOf(at.unitId), soil: hiddenSoil(at), state: at.state })
/** As hand cameras write. */
const jpegQuality = 88
/** Rows that are drawn before others get their turn. */
const rowsAtOnce = 16

/** Instruments that compute what they would show, from the core's own models. */
export const simulatedSource: InstrumentSource = {
  read: (at, sinceMs, nowMs) =>
    simulatedReadings(
      {
        ...hiddenTruth(at),
        design: knownDesign(at.form.family, at.form.design).design,
        room: usualRoom,
        outdoorC: at.site.outdoorAir?.dryBulbC,
        altitudeM: at.site.altitudeM,
        levelMmPerM: 2 + (seedOf(`${at.unitId}/level`) % 20) / 10,
      },
      sinceMs,
      nowMs,
    ),
  photograph: async (at, part, shot) => {
    const wish = simulatedShot(hiddenTruth(at), part, shot)
    if (!wish) return undefined
    const drawing = drawSample(wish)
    for (let row = 0; ; row++) {
      const step = drawing.next()
      if (step.done) {
        const { width, height, data } = step.value.raster
        return sharp(data, { raw: { width, height, channels: 4 } })
          .jpeg({ quality: jpegQuality })
          .toBuffer()
      }
      if (row % rowsAtOnce === 0) await setImmediate()
    }
  },
}
