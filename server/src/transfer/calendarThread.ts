// Thread: reads a calendar, and what whoever sent it wants done with it.
import { readBy } from '@yastik/core/faults'
import { endpoints } from '@yastik/core/wire'
import { readJson, usualBudget } from '../http/budget.ts'
import { answering } from '../threads/answer.ts'
import { entriesOf } from './calendarText.ts'

export interface CalendarGiven {
  readonly bytes: Uint8Array
  readonly timeZone: string | undefined
}

export default answering(({ bytes, timeZone }: CalendarGiven) => {
  const { text, take } = readBy(endpoints.takeVisits.body, readJson(bytes, usualBudget))
  return { entries: entriesOf(text, timeZone), take }
})
