// What a first view needs: the frame, the day, and what families and parts are called. It is loaded before all else.
import { names } from './names.ts'
import { frameScreens } from './screens/frame.ts'
import { todayScreens } from './screens/today.ts'

/** By which dates, figures and lists are written. */
export const locale = 'en'
export const first = { ...names, ...frameScreens, ...todayScreens }
