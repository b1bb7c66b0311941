// What stands on the screens, one file for each room of the interface.
import { crewScreens } from './crew.ts'
import { dataScreens } from './data.ts'
import { frameScreens } from './frame.ts'
import { houseScreens } from './house.ts'
import { logbookScreens } from './logbook.ts'
import { lookoverScreens } from './lookover.ts'
import { methodScreens } from './method.ts'
import { proofScreens } from './proof.ts'
import { quotesScreens } from './quotes.ts'
import { reportScreens } from './report.ts'
import { sitesScreens } from './sites.ts'
import { storesScreens } from './stores.ts'
import { todayScreens } from './today.ts'
import { visitScreens } from './visit.ts'
import { workScreens } from './work.ts'

export const screens = {
  ...crewScreens,
  ...dataScreens,
  ...frameScreens,
  ...houseScreens,
  ...logbookScreens,
  ...lookoverScreens,
  ...methodScreens,
  ...proofScreens,
  ...quotesScreens,
  ...reportScreens,
  ...sitesScreens,
  ...storesScreens,
  ...todayScreens,
  ...visitScreens,
  ...workScreens,
}
