import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { parse, TYPE, type MessageFormatElement } from '@formatjs/icu-messageformat-parser'
import { checkJob, planFileOf, planFileSchema, planJob, type JobFile } from '../plan/index.ts'
import { builtInProducts } from '../products/index.ts'
import { customary, metric } from '../quantities/index.ts'
import { emptyUnitState, happeningInWords, type Happening } from '../run/index.ts'
import { causes } from '../lookover/index.ts'
import { jobOf } from '../tests/judge/generator.ts'
import { families, componentsOf, knownDesign } from '../units/index.ts'
import { earlier } from './en/earlier.ts'
import { catalogue as english } from './en/index.ts'
import {
  catalogueOf,
  joined,
  languages,
  messageSchema,
  nameOf,
  says,
  sayIn,
  sentenceSchema,
  tell,
  type Catalogue,
  type Key,
  type Message,
} from './index.ts'

const rooms = join(__dirname, '..')
/** All code that says something, but for the catalogues themselves. */
const code = [rooms, join(rooms, '../../server/src'), join(rooms, '../../web/src')]
  .flatMap((house) => readdirSync(house, { recursive: true, encoding: 'utf8' }).map((name) => join(house, name)))
  .filter((name) => /\.(ts|vue)$/.test(name) && !/words\/e[ns]\//.test(name) && !name.endsWith('.test.ts'))
  .map((name) => readFileSync(name, 'utf8'))
  .join('\n')

/** Values that a text asks for, by name, and whether it counts by them; inside of plurals and selections too. */
function asksFor(text: string): Map<string, 'plural' | 'select' | 'plain'> {
  const found = new Map<string, 'plural' | 'select' | 'plain'>()
  const walk = (elements: readonly MessageFormatElement[]): void => {
    for (const element of elements) {
      if (element.type === TYPE.argument) found.set(element.value, found.get(element.value) ?? 'plain')
      if (element.type !== TYPE.plural && element.type !== TYPE.select) continue
      found.set(element.value, element.type === TYPE.plural ? 'plural' : 'select')
      for (const { value } of Object.values(element.options)) walk(value)
    }
  }
  walk(parse(text, { ignoreTag: true }))
  return found
}
const keys = Object.keys(english.texts) as Key[]
const textOf = ({ texts }: Catalogue, key: Key): string => texts[key] ?? ''
/** Words that no Spanish text has. */
const onlyEnglish = /\b(the|and|with|of|is|are|it|not|wheel|coil|drain|filter|screws?|step|from|before|after|water|unit|fins|label)\b/i

describe.each(languages)('the catalogue in %s', (language) => {
  let catalogue: Catalogue
  beforeAll(async () => void (catalogue = await catalogueOf(language)))

  it('has a text for every key, and none besides', () => expect(Object.keys(catalogue.texts).sort()).toEqual([...keys].sort()))
  it('asks each text for the values that English asks for, and says them all', () => {
    const say = sayIn(catalogue, { measures: metric, currency: 'EUR' })
    for (const key of keys) {
      const own = asksFor(textOf(catalogue, key))
      const wanted = asksFor(textOf(english, key))
      const names = [...own.keys()].filter((name) => !name.endsWith('Gender'))
      expect({ key, names: names.sort() }).toEqual({ key, names: [...wanted.keys()].sort() })
      for (const count of [1, 2, 5]) {
        const values = Object.fromEntries(
          [...wanted].map(([name, kind]) => [name, kind === 'plural' ? count : kind === 'plain' ? `‹${name}›` : says('names.family.window')]),
        )
        // A name with its gender, where a text asks for one.
        for (const name of own.keys()) if (name.endsWith('Gender')) values[name.replace('Gender', '')] = says('names.family.ceiling-cassette')
        const said = say({ key, values })
        expect(said).not.toMatch(/undefined|\[object|[{}]/)
        for (const [name, kind] of wanted) if (kind === 'plain' && typeof values[name] === 'string') expect(said).toContain(`‹${name}›`)
      }
    }
  })
  it('is all its own', () => {
    if (language === 'en') return
    for (const key of keys) {
      const words = textOf(catalogue, key).replace(/\{[^}]*\}|design\.\w+|wheelRemovable|slideOut|removable|true|false|little, much, alive/g, '')
      expect({ key, words }).not.toMatchObject({ words: expect.stringMatching(onlyEnglish) })
    }
  })
})

describe('products that a van holds where nobody described others', () => {
  it.each(languages.filter((language) => language !== 'en'))('have names in %s, and those that a firm gives stay', async (language) => {
    const catalogue = await catalogueOf(language)
    const say = sayIn(catalogue, { measures: metric })
    for (const { name } of builtInProducts) {
      expect({ name, says: say(name) }).not.toEqual({ name, says: name })
      expect(say(says('procedure.apply-coil', { product: name }))).toContain(say(name))
      expect(say(name)).not.toMatch(onlyEnglish)
    }
    expect(Object.keys(catalogue.products ?? {}).sort()).toEqual(builtInProducts.map(({ name }) => name).sort())
    expect(say('House foam 12')).toBe('House foam 12')
  })
})

describe('keys', () => {
  it('are said somewhere, each', () => {
    const begun = [...code.matchAll(/`([a-z]+\.[\w.-]*)\$\{/g)].map(([, start]) => start)
    const named = ['component', 'fastener', 'cause', 'item', 'surroundings', 'school', 'choice'].map((group) => `names.${group}.`)
    const unsaid = keys.filter(
      (key) => !(key in earlier) && !code.includes(`'${key}'`) && ![...begun, ...named].some((start) => key.startsWith(start)),
    )
    expect(unsaid).toEqual([])
  })
  it('are there for whatever goes by an id of its own', () => {
    const parts = families.flatMap((family) => componentsOf(family, knownDesign(family, {}).design))
    const everything = new Set<Key>([
      ...parts.map(({ name }) => nameOf('component', name).key),
      ...parts.flatMap(({ fasteners }) => fasteners(knownDesign('wall-head', {}).design).map(({ kind }) => nameOf('fastener', kind).key)),
      ...causes.map(({ cause }) => nameOf('cause', cause).key),
    ])
    expect([...everything].filter((key) => english.texts[key] === undefined)).toEqual([])
  })
})

describe('quantities', () => {
  const us = sayIn(english, { measures: customary, currency: 'USD' })
  const si = sayIn(english, { measures: metric })
  const amount = (L: number): Message => says('procedure.catches.about-wash-water-will', { water: { L } })
  it('take the unit of the person, the smaller one where that reads better', () => {
    expect(si(amount(0.012))).toContain('12 mL')
    expect(us(amount(0.012))).toContain('0.4 fl oz')
    expect(us(amount(12))).toContain('3.2 gal')
    const ice = says('method.roofWeather.outdoors-below-roof-may', { dryBulbC: { C: -5 }, iceC: { C: 2 } })
    expect(si(ice)).toMatch(/^-5 °C outdoors: at 2 °C/)
    expect(us(ice)).toMatch(/^23 °F outdoors: at 36 °F/)
  })
  it('are counted in each language’s own plural, and dated in its own way', async () => {
    const es = sayIn(await catalogueOf('es'), { measures: metric })
    const due = (weeks: number) => says('plan.due.by-day', { name: says('names.due.filter'), day: { day: '2027-03-01' }, inWeeks: { weeks } })
    expect(si(due(1))).toBe('filters by 1 Mar 2027 (in about 1 week)')
    expect(si(due(6))).toContain('6 weeks')
    expect(es(due(1))).toMatch(/filtros para el 1 (de )?mar\.? (de )?2027 \(en aproximadamente 1 semana\)/)
    expect(es(due(6))).toContain('6 semanas')
  })
  it('are joined as the language joins, and begin and end a sentence', async () => {
    const es = sayIn(await catalogueOf('es'), { measures: metric })
    const list = joined({ and: [says('names.part.filter'), says('names.seen.insects')] })
    expect(si(list)).toBe('filter and insects')
    expect(es(list)).toBe('filtro e insectos')
    expect(es(joined({ sentences: [says('names.seen.smell')] }))).toBe('Mal olor.')
  })
  it('agree with the gender of what is named', async () => {
    const es = sayIn(await catalogueOf('es'), { measures: metric })
    const unknown = (family: Message) => es(says('units.knownDesign.design-noted-but-such', { trait: 'ways', noted: '2', family }))
    expect(unknown(says('names.family.ceiling-cassette'))).toContain('un casete de techo')
    expect(unknown(says('names.family.window'))).toContain('una unidad de ventana')
  })
})

describe('a plan', () => {
  const jobs = Array.from({ length: 30 }, (_, seed) => jobOf(9000 + seed))
  it('is said in Spanish without a word of English', async () => {
    const es = sayIn(await catalogueOf('es'), { measures: metric })
    const told: string[] = []
    const hear = (thing: unknown): void => {
      if (typeof thing !== 'object' || thing === null) return
      if ('key' in thing && typeof thing.key === 'string' && thing.key.includes('.')) told.push(es(thing as Message))
      else for (const own of Object.values(thing)) hear(own)
    }
    for (const job of jobs) hear(planJob(job))
    expect(told.length).toBeGreaterThan(3000)
    // Names of products and units are the firm's own; fields are named as the job file has them.
    const names = jobs.flatMap(({ products = [], units }) => [...products, ...units].flatMap(({ name }) => name ?? []))
    const own = (words: string) => names.reduce((left, name) => left.replaceAll(name, ''), words)
    expect([...new Set(told)].filter((words) => !/design\.|findingExtent|choices\./.test(words) && onlyEnglish.test(own(words)))).toEqual([])
  })
  it('says nothing in words of its own: every sentence is a message, but for names that people gave', () => {
    const spoken: string[] = []
    for (const job of jobs)
      for (const { steps, decisions, referrals, notReached, offers, complaints, findings } of planJob(job).units)
        for (const sentence of [
          ...steps.flatMap(({ title, how, gate, cautions, optional, photo, slot, wait }) => [
            title,
            how,
            gate,
            optional,
            photo,
            slot,
            wait?.for,
            ...cautions,
          ]),
          ...decisions.flatMap(({ because, turnedDown }) => [
            ...because,
            ...turnedDown.flatMap((other) => [other.because, other.instead?.risk, other.instead?.reach]),
          ]),
          ...[...referrals, ...notReached].map(({ because }) => because),
          ...offers.flatMap(({ what, because }) => [what, because]),
          ...complaints.map(({ answer }) => answer),
          ...findings.flatMap(({ leadsTo }) => leadsTo),
        ])
          if (typeof sentence === 'string') spoken.push(sentence)
    expect(spoken).toEqual([])
  })
  it('stands in a file with its words, and each message beside them', () => {
    const job = checkJob(jobOf(9001)) as JobFile
    const file = planFileOf(planJob(job), sayIn(english, { measures: metric })) as { units: { steps: { title: string; message: Message }[] }[] }
    expect(planFileSchema.safeParse(file).error).toBeUndefined()
    const say = sayIn(english, { measures: metric })
    for (const { title, message } of file.units[0].steps) expect(title).toBe(say(message))
  })
})

describe('what is stored', () => {
  it('stays as an earlier version or a person wrote it', () => {
    const say = sayIn(english, { measures: metric })
    expect(sentenceSchema(50).parse('Rinse the coil')).toBe('Rinse the coil')
    expect(say('Rinse the coil')).toBe('Rinse the coil')
    const names = { titleOf: () => 'Rinse the coil', gateOf: () => '', productName: () => '', personName: () => '' }
    expect(say(happeningInWords({ type: 'step-done', unitId: 'u', stepId: 's' } as Happening, names))).toBe('done: Rinse the coil')
    expect(emptyUnitState().held).toEqual([])
  })
  it('says a key of a later version as it is, instead of nothing; and one that lacks what the text asks for', () => {
    const say = sayIn(english, { measures: metric })
    expect(say({ key: 'procedure.of-tomorrow.title' as Key })).toBe('procedure.of-tomorrow.title')
    expect(say({ key: 'procedure.mix-agent.title', values: { of: 'old' } })).toBe('procedure.mix-agent.title')
    expect(say({ key: 'names.joined', values: { list: { allOf: [] } } })).toBe('')
  })
  it.each<[string, unknown]>([
    ['a value that is none', { key: 'a.b', values: { x: { L: 'much' } } }],
    ['two quantities in one', { key: 'a.b', values: { x: { L: 1, C: 2 } } }],
    ['a list that is none', { key: 'a.b', values: { x: { and: 'both' } } }],
    ['a field of its own', { key: 'a.b', more: 1 }],
    ['a message without a key', { values: {} }],
    [
      'messages in messages without end',
      Array.from({ length: 40 }).reduce<object>((inside) => ({ key: 'a.b', values: { x: inside } }), { key: 'a.b' }),
    ],
  ])('is refused with %s', (_, message) => expect(messageSchema.safeParse(message).success).toBe(false))
  it('is taken whatever the core says', () => {
    const said = tell({ all: [says('procedure.bucketsIn.change-bucket', { times: 2 })] }, (sentence) => JSON.stringify(sentence))
    expect(messageSchema.safeParse(JSON.parse(said.all[0])).success).toBe(true)
    for (const { steps } of planJob(jobOf(9002)).units)
      for (const { title, how, gate } of steps)
        for (const sentence of [title, how, gate]) if (typeof sentence === 'object') expect(messageSchema.safeParse(sentence).error).toBeUndefined()
  })
})
