// Instruments that compute what they would show, from the core's own models, and a camera that draws what it would see.
import { setImmediate } from 'node:timers/promises'
import { allGrades, drawSample, knownDesign, partsOf, simulatedReadings, simulatedShot, type Grade, type Part } from '@yastik/core'
import type { AtUnit, InstrumentSource } from '@yastik/server/instruments/source'
import sharp from 'sharp'
import { seedOf } from './seed.ts'

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

const instruments: InstrumentSource = {
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
export default instruments
