// What the demo's logs held before the core said messages: step titles, gates and reasons in English. They read as they did.
import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { gunzipSync } from 'node:zlib'
import { inEnglish } from '../tests/inEnglish.ts'
import type { Family } from '../units/index.ts'
import { metric } from '../quantities/index.ts'
import { catalogueOf, sayIn } from '../words/index.ts'
import { carry, eventSchema, happeningInWords, stationOf, unitStateOf, type JobEvent } from './index.ts'

interface Stored {
  readonly id: string
  readonly units: readonly { readonly id: string; readonly family: Family }[]
  readonly events: readonly unknown[]
}
const stored = JSON.parse(gunzipSync(readFileSync(join(__dirname, '../tests/logs/2026-11-27.json.gz'))).toString()) as Stored[]
const names = { titleOf: (id: string) => id, gateOf: (id: string) => id, productName: (id: string) => id, personName: String }
const read = ({ events }: Stored): JobEvent[] => events.map((event) => eventSchema.parse(event))

describe.each(stored.map((job) => [job.units.map(({ family }) => family).join(', '), job] as const))('a log of %s', (_, job) => {
  const events = read(job)
  it('holds up as it was written, event by event', () => expect(events).toEqual(job.events))
  it('leads to the state that its events say, with titles as they were', () => {
    for (const { id } of job.units) {
      const own = events.filter(({ happening }) => happening.unitId === id)
      const state = unitStateOf(events, id)
      expect(state.steps !== undefined).toBe(own.some(({ happening }) => 'steps' in happening))
      for (const { title, how, cautions = [] } of state.steps ?? [])
        for (const words of [title, ...(how === undefined ? [] : [how]), ...cautions])
          expect([typeof words, inEnglish(words)]).toEqual(['string', words])
      if (own.some(({ happening }) => happening.type === 'handed-over')) expect(stationOf(state)).toBe('handed-over')
    }
  })
  it('can be carried on from, and reads in any language', async () => {
    for (const { id } of job.units) {
      const own = events.filter(({ happening }) => happening.unitId === id)
      expect(carry(own).state).toEqual(unitStateOf(events, id))
    }
    const say = sayIn(await catalogueOf('es'), { measures: metric })
    for (const { happening } of events) expect(say(happeningInWords(happening, names))).not.toMatch(/undefined|\[object|^$/)
  })
})
