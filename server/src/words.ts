// How does the server put into words what somebody reads outside the interface: a message, an entry of a calendar, a note on the record?
import { metric } from '@yastik/core/quantities'
import { sayIn, type Say } from '@yastik/core/words'
import { english } from '@yastik/core/words/en'

/** In the firm's money. */
export const sayFor = ({ houseRules: { currency } }: { houseRules: { currency?: string } }): Say =>
  sayIn(english, { measures: metric, ...(currency === undefined ? {} : { currency }) })
