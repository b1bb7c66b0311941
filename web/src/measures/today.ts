// Which day is it?
import dayjs from 'dayjs'
import { serverNow } from '../api/clock.ts'

/** Today by the server's clock, as 2027-03-01 in the time zone of the device. */
export const today = (): string => dayjs(serverNow()).format('YYYY-MM-DD')
