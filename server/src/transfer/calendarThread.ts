// Thread: reads a calendar.
import { answering } from '../threads/answer.ts'
import { entriesOf } from './calendarText.ts'

export default answering(({ text, timeZone }: { readonly text: string; readonly timeZone: string | undefined }) => entriesOf(text, timeZone))
