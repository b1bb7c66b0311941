// Of which area is an endpoint, for programs that come with a token? By its address, whose first part names what it is about.
import type { TokenArea } from '../trust.ts'
import type { Endpoint } from './endpoint.ts'

/** First parts of addresses; everything else is the office's: quotes, messages, stock, stores, house rules. */
const areas: Readonly<Record<Exclude<TokenArea, 'office'>, readonly string[]>> = {
  visits: ['jobs', 'today', 'day', 'crew', 'load', 'photos', 'step-times', 'imports'],
  sites: ['sites', 'units', 'find'],
  logbook: ['logbook', 'due'],
  exports: ['exports', 'bundle', 'audit', 'retention'],
}
/** What any program needs: who it is, what time it is, and what there is. */
const open = ['session', 'clock', 'openapi.json']

/** @returns undefined for what every token reaches */
export function areaOf({ path }: Pick<Endpoint, 'path'>): TokenArea | undefined {
  const [, , first] = path.split('/')
  if (open.includes(first)) return undefined
  if (path.startsWith('/api/imports/sites')) return 'sites'
  // All that is kept of a customer leaves the house.
  if (path.endsWith('/customer')) return 'exports'
  const found = Object.entries(areas).find(([, parts]) => parts.includes(first))
  return (found?.[0] as TokenArea | undefined) ?? 'office'
}
