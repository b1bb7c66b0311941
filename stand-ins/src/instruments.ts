// Instruments that compute what they would show, from the core's own models, and a camera that draws what it would see.
import { setImmediate } from 'node:timers/promises'
import { drawSample, simulatedReadings, simulatedShot, type SampleWish } from '@yastik/core/proof'
import { allGrades, type Grade } from '@yastik/core/quantities'
import { knownDesign, partsOf, type Part } from '@yastik/core/units'
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
/** One picture after the other: of many at once each would wait for all, and the server with them. */
let drawing: Promise<void> = Promise.resolve()

async function drawn(wish: SampleWish): Promise<Buffer> {
  const steps = drawSample(wish)
  for (let row = 0; ; row++) {
    const step = steps.next()
    if (step.done) {
      const { width, height, data } = step.value.raster
      return sharp(data, { raw: { width, height, channels: 4 } })
        .jpeg({ quality: jpegQuality })
        .toBuffer()
    }
    if (row % rowsAtOnce === 0) await setImmediate()
  }
}

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
    const own = drawing.then(() => drawn(wish))
    // Who waits for a picture that failed gets the next one all the same.
    drawing = own.then(
      () => undefined,
      () => undefined,
    )
    return own
  },
}
export default instruments
