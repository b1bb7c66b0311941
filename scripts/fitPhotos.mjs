// node scripts/fitPhotos.mjs [fins] [blades] [--band]: fits the weights by which photographs are read, on scenes and sample photographs of seeds that
// nothing is judged by, and writes core/src/proof/photo/weights/. About two hours on two cores when no picture is kept from before. With --band the
// weights stay, and how sure they are is taken anew.
import { writeFileSync } from 'node:fs'
import { format } from 'prettier'
import { inRoot } from './lib/paths.mjs'
import { drawAll, trialsFrom } from './lib/photoTrials.mjs'
import { prepareCore } from './lib/prepare.mjs'
import { say } from './lib/say.mjs'

/** Seeds by which nothing is judged: the bench and the tests take theirs from 500,001 on. */
const plans = {
  fins: {
    fit: [
      ...trialsFrom('scenes', 'fins', 1, 600),
      ...trialsFrom('scenes', 'fins', 1001, 60, { soiling: 'foam' }),
      ...trialsFrom('scenes', 'fins', 1101, 40, { wet: true, light: 'flash' }),
      ...trialsFrom('scenes', 'fins', 3001, 200, { dyed: true }),
      ...trialsFrom('scenes', 'fins', 4001, 60, { camera: 'shaken' }),
      ...trialsFrom('samples', 'fins', 1, 150),
    ],
    hidden: [...trialsFrom('scenes', 'fins', 2001, 70, { obstacle: 'hand' }), ...trialsFrom('scenes', 'fins', 2101, 50, { obstacle: 'tool' })],
    calibrate: [
      ...trialsFrom('scenes', 'fins', 200_001, 70),
      ...trialsFrom('scenes', 'fins', 201_001, 25, { dyed: true }),
      ...trialsFrom('scenes', 'fins', 202_001, 15, { camera: 'shaken' }),
      ...trialsFrom('samples', 'fins', 200_001, 30),
    ],
  },
  blades: {
    fit: [
      ...trialsFrom('scenes', 'blades', 1, 900),
      ...trialsFrom('scenes', 'blades', 3001, 200, { dyed: true }),
      ...trialsFrom('scenes', 'blades', 4001, 220, { wet: true }),
      ...trialsFrom('scenes', 'blades', 5001, 160, { light: 'flash' }),
      ...trialsFrom('scenes', 'blades', 6001, 100, { light: 'veil' }),
      ...trialsFrom('scenes', 'blades', 7001, 100, { light: 'glare' }),
      ...trialsFrom('scenes', 'blades', 8001, 100, { soiling: 'patches and strands' }),
      ...trialsFrom('samples', 'blades', 1, 150),
    ],
    hidden: [...trialsFrom('scenes', 'blades', 2001, 40, { obstacle: 'hand' }), ...trialsFrom('scenes', 'blades', 2101, 30, { obstacle: 'tool' })],
    calibrate: [
      ...trialsFrom('scenes', 'blades', 200_001, 130),
      ...trialsFrom('scenes', 'blades', 201_001, 25, { wet: true }),
      ...trialsFrom('scenes', 'blades', 300_001, 150),
      ...trialsFrom('samples', 'blades', 200_001, 30),
    ],
  },
}

await prepareCore()
const { bladesFitted, bladesSpread } = await import('./fitting/blades.mjs')
const { finsFitted, finsSpread } = await import('./fitting/fins.mjs')

const surfaces = {
  fins: { fitted: finsFitted, spread: finsSpread, type: 'LooksReading', from: '../perceptron.ts' },
  blades: { fitted: bladesFitted, spread: bladesSpread, type: 'NetReading', from: '../keptNet.ts' },
}
const asked = process.argv.slice(2)
const chosen = Object.keys(surfaces).filter((surface) => asked.includes(surface) || !Object.keys(surfaces).some((name) => asked.includes(name)))
for (const surface of chosen) {
  const { fitted, spread, type, from } = surfaces[surface]
  const plan = plans[surface]
  say(`${surface}: drawing what is not kept`)
  await drawAll(Object.values(plan).flat())
  const reading = await (asked.includes('--band') ? spread(plan) : fitted(plan))
  const text = `// Weights by which ${surface} are read. Made by scripts/fitPhotos.mjs; not to be changed by hand.
import type { ${type} } from '${from}'

export const ${surface}Reading: ${type} = ${JSON.stringify(reading)}
`
  writeFileSync(
    inRoot('core/src/proof/photo/weights', `${surface}.ts`),
    await format(text, { parser: 'typescript', semi: false, singleQuote: true, printWidth: 150 }),
  )
}
