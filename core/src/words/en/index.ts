// English: what every other language is put beside.
import type { Catalogue } from '../renderer.ts'
import { aside } from './aside.ts'
import { choices } from './choices.ts'
import { conditions } from './conditions.ts'
import { earlier } from './earlier.ts'
import { faults } from './faults.ts'
import { letters } from './letters.ts'
import { locale } from './first.ts'
import { lookover } from './lookover.ts'
import { method } from './method.ts'
import { names } from './names.ts'
import { plan } from './plan.ts'
import { procedure } from './procedure.ts'
import { products } from './products.ts'
import { proof } from './proof.ts'
import { report } from './report.ts'
import { run } from './run.ts'
import { screens } from './screens/index.ts'
import { server } from './server.ts'
import { things } from './things.ts'
import { units } from './units.ts'
import { upkeep } from './upkeep.ts'

const texts = {
  ...names,
  ...aside,
  ...choices,
  ...conditions,
  ...faults,
  ...letters,
  ...lookover,
  ...method,
  ...plan,
  ...procedure,
  ...products,
  ...proof,
  ...report,
  ...run,
  ...screens,
  ...server,
  ...things,
  ...units,
  ...upkeep,
}
/** Every text that there is, with the values that it asks for. */
export type English = typeof texts
export const catalogue: Catalogue = { locale, texts: { ...earlier, ...texts } }
