import { readFileSync, readdirSync } from 'node:fs'
import { join } from 'node:path'
import Ajv2020 from 'ajv/dist/2020.js'
import addFormats from 'ajv-formats'
import { checkJob, planFileOf, planJob, type JobFile } from '../../plan/index.ts'
import { inEnglish } from '../../tests/inEnglish.ts'
import { partsOf } from '../../units/index.ts'
import { bundleSchema, jsonSchemas } from '../index.ts'
import { describeFields } from './describe.ts'
import { fieldTexts } from './fields/index.ts'

const docs = join(__dirname, '../../../../docs')
const read = (path: string): unknown => JSON.parse(readFileSync(join(docs, path), 'utf8'))
const schemas = jsonSchemas()
/** Another package's reading of a schema. */
const validatorOf = (name: keyof typeof schemas) => addFormats(new Ajv2020({ strict: true, strictTypes: false })).compile(schemas[name])
const examples = readdirSync(join(docs, 'examples')).filter((name) => name.endsWith('.json'))

describe('schemas of the open formats', () => {
  it('stand in the documents as the code has them, each under a name of its own', () => {
    for (const [name, schema] of Object.entries(schemas)) expect(read(`formats/${name}`)).toEqual(JSON.parse(JSON.stringify(schema)))
    const ids = Object.values(schemas).map((schema) => ('$id' in schema ? schema.$id : undefined))
    expect(ids).toEqual(['urn:yastik:format:job:1', 'urn:yastik:format:plan:1', 'urn:yastik:format:bundle:1', 'urn:yastik:format:photographs:1'])
  })
  it('say of every field what it is', () => {
    const silent: string[] = []
    let fields = 0
    const walk = (value: unknown, path: string): void => {
      if (value === null || typeof value !== 'object') return
      for (const [key, own] of Object.entries(value)) {
        if (key !== 'properties') walk(own, path)
        else
          for (const [name, field] of Object.entries(own as Record<string, { description?: string }>)) {
            fields += 1
            if ((field.description ?? '').length < 4) silent.push(`${path}.${name}`)
            walk(field, `${path}.${name}`)
          }
      }
    }
    walk(schemas, '')
    walk(read('formats/openapi.json'), 'server')
    expect(fields).toBeGreaterThan(2000)
    expect(silent).toEqual([])
  })
  /** What a name ends in, and how its unit is written. */
  const units: readonly (readonly [RegExp, RegExp])[] = [
    [/[a-z]C$/, /°C/],
    [/(Min)$/, /\bmin\b/],
    [/[a-z]Mm$/, /\bmm\b/],
    [/(L|Litres)$|^litres$/, /\bL\b/],
    [/Kw$/, /\bkW\b/],
    [/Kg$/, /\bkg\b/],
    [/Ms$/, /\bms\b|m\/s/],
    [/M3h$/, /m³\/h/],
    [/Share$/, /0 to 1|share/i],
  ]
  it('name the unit that a field’s name ends in', () => {
    const unsaid: string[] = []
    const walk = (value: unknown): void => {
      if (value === null || typeof value !== 'object') return
      for (const [key, own] of Object.entries(value)) {
        walk(own)
        if (key !== 'properties') continue
        for (const [name, { description = '' }] of Object.entries(own as Record<string, { description?: string }>))
          for (const [ending, unit] of units) if (ending.test(name) && !unit.test(description)) unsaid.push(`${name}: ${description}`)
      }
    }
    walk(schemas)
    expect([...new Set(unsaid)]).toEqual([])
  })
})

describe('texts of fields', () => {
  it('are all in use', () => {
    const said = JSON.stringify([schemas, read('formats/openapi.json')])
    expect(Object.entries(fieldTexts).filter(([, text]) => !said.includes(JSON.stringify(text)))).toEqual([])
  })
  it('leave a value alone that is no schema', () => {
    const schema = { properties: { site: { const: { properties: { id: 1 } } } } }
    expect(describeFields(schema, 'x').properties.site.const).toEqual({ properties: { id: 1 } })
  })
  it('go by what a field stands in before they go by its name', () => {
    const said = (root: string) => describeFields({ properties: { by: {} } }, root).properties.by as { description?: string }
    expect(said('Event').description).toMatch(/id/)
    expect(said('EventInput')).toEqual(said('Event'))
    expect(said('LogEntry').description).toMatch(/name/)
  })
})

// Whatever one of them takes, the other takes: what is said to other programs is what is done here.
describe('the schema of a job and the reader of it', () => {
  const bySchema = validatorOf('job.schema.json')
  const byReader = (job: unknown) => {
    try {
      checkJob(job)
      return true
    } catch {
      return false
    }
  }
  const whole = read('examples/wall-head-strip-down.json') as JobFile
  const changed = (change: (job: never) => void): unknown => {
    const job = structuredClone(whole) as never
    change(job)
    return job
  }
  type Loose = Record<string, never> & { units: Record<string, unknown>[]; site: Record<string, unknown>; crew: Record<string, unknown>[] }
  const stock = { id: 'soap', name: 'Soap', class: 'mild-detergent', label: { indoorSafe: true, aluminiumSafe: true, rinse: 'none' } }
  const cases: [string, boolean, (job: Loose) => void][] = [
    ['the example', true, () => undefined],
    ...['', ' ', '\t\n', '\u00a0'].map((name): [string, boolean, (job: Loose) => void] => [
      `a site called ${JSON.stringify(name)}`,
      false,
      (job) => (job.site.name = name),
    ]),
    ['a name with blanks around it', true, (job) => (job.site.name = `  ${'x'.repeat(120)}  `)],
    ['a name too long without them', false, (job) => (job.site.name = `  ${'x'.repeat(121)}  `)],
    ['a person without a name', false, (job) => (job.crew[0].name = '  ')],
    ['a unit of one sign', true, (job) => (job.units[0].name = 'x')],
    ['a unit twice', false, (job) => job.units.push(job.units[0])],
    ['a product twice', false, (job) => Object.assign(job, { products: [stock, stock] })],
    ['two products', true, (job) => Object.assign(job, { products: [stock, { ...stock, id: 'other' }] })],
    ['a piece twice', false, (job) => Object.assign(job, { equipment: [0, 0].map(() => ({ id: 'b', kind: 'bucket', count: 1 })) })],
    ['none alone', true, (job) => (job.units[0].complaints = ['none'])],
    ['none beside a complaint', false, (job) => (job.units[0].complaints = ['smell', 'none'])],
    ['no complaint at all', true, (job) => (job.units[0].complaints = [])],
    ['a slant without a width', false, (job) => (job.units[0].design = { faceSlantMm: [200] })],
    ['both of them', true, (job) => (job.units[0].design = { faceSlantMm: [200], faceWidthMm: 700 })],
    ['a unit called visit', false, (job) => (job.units[0].id = 'visit')],
    ['a unit that slides out and is fixed', false, (job) => (job.units[0].design = { slideOut: true, removable: false })],
    ['a unit that slides out', true, (job) => (job.units[0].design = { slideOut: true })],
    ['no crew', false, (job) => Object.assign(job, { crew: [] })],
    ['61 units', false, (job) => Object.assign(job, { units: Array.from({ length: 61 }, (_, at) => ({ ...job.units[0], id: `u${at}` })) })],
    ['a field that nobody knows', false, (job) => Object.assign(job.site, { colour: 'red' })],
    ...(['condenserFace', 'basePan', 'sleeve', 'filter', 'wheel'] as const).map((part): [string, boolean, (job: Loose) => void] => [
      `a ${part} at a wall head`,
      (partsOf['wall-head'] as readonly string[]).includes(part),
      (job) => (job.units[0].grades = { [part]: { grade: 1 } }),
    ]),
  ]
  it.each(cases)('agree on %s', (_, holds, change) => {
    const job = changed(change as (job: never) => void)
    expect({ schema: bySchema(job), reader: byReader(job) }).toEqual({ schema: holds, reader: holds })
  })
  it.each(examples)('take %s, and the plan that comes of it', (name) => {
    const job = read(`examples/${name}`)
    expect(bySchema(job)).toBe(true)
    const plan = validatorOf('plan.schema.json')
    plan(JSON.parse(JSON.stringify(planFileOf(planJob(checkJob(job)), inEnglish))))
    expect(plan.errors).toBeNull()
  })
  // Taken apart field by field: each left out, made nothing, made blank, made another kind of value.
  it('agree wherever one field of an example is spoilt', () => {
    const spoilt: unknown[] = [null, '', '   ', -1, 1e9, true, [], {}]
    const apart: string[] = []
    let tried = 0
    for (const name of examples) {
      const job = read(`examples/${name}`)
      const tryAll = (owner: Record<string, unknown>, key: string, path: string): void => {
        const was = owner[key]
        for (const value of [undefined, ...spoilt]) {
          if (value === undefined) delete owner[key]
          else owner[key] = value
          tried += 1
          const sent: unknown = JSON.parse(JSON.stringify(job))
          if (bySchema(sent) !== byReader(sent)) apart.push(`${name} ${path} ${JSON.stringify(value)}: schema ${bySchema(sent)}`)
        }
        owner[key] = was
      }
      const walk = (value: unknown, path: string): void => {
        if (value === null || typeof value !== 'object') return
        for (const key of Object.keys(value)) {
          tryAll(value as Record<string, unknown>, key, `${path}.${key}`)
          walk((value as Record<string, unknown>)[key], `${path}.${key}`)
        }
      }
      walk(job, '')
    }
    expect(tried).toBeGreaterThan(2000)
    expect(apart).toEqual([])
  })
})

describe('the schema of a bundle', () => {
  it('can be read by another package, and turns away what our reader does', () => {
    const bySchema = validatorOf('bundle.schema.json')
    for (const name of ['', '  ', 'x']) {
      const firm = { name, houseRules: {}, products: [], equipment: [], foulingRates: null }
      const bundle = {
        ...{ format: 'yastik.bundle/1', madeAt: '2026-11-27T10:00:00Z', firm, people: [], sites: [], units: [], jobs: [], photos: [] },
        checksum: '0'.repeat(64),
      }
      expect({ name, schema: bySchema(bundle), reader: bundleSchema.safeParse(bundle).success }).toEqual({
        ...{ name, schema: name === 'x', reader: name === 'x' },
      })
    }
  })
})
