import { v7 as newId } from 'uuid'
import { addFirm, openHouse, signedIn, type Ask, type TestHouse } from '../tests/database.ts'
import { Firm } from '../db/models.ts'

let house: TestHouse
let owner: Ask
let technician: Ask
let siteId: string
beforeAll(async () => {
  house = await openHouse()
  await addFirm('a')
  owner = await signedIn(house.app, 'owner-a')
  technician = await signedIn(house.app, 'technician-a')
  const site = { name: 'Mill', setting: 'home', waterOnSite: true, foulDrainOnSite: true }
  siteId = (await owner('POST', '/api/sites', { site, address: '', contact: '', customerLanguage: 'es' })).json().id
})
afterAll(() => house.close())

const save = async (wording: object) => owner('PUT', '/api/wording', { wording, version: (await owner('GET', '/api/wording')).json().version })
const reminder = async () => (await owner('GET', `/api/sites/${siteId}/reminder`)).json() as { body: string; stopLine: string }

describe('a firm’s own words', () => {
  it('are what its customers read, in their language, until they are taken back', async () => {
    const usual = (await reminder()).body
    expect(
      (await save({ es: { 'letters.reminder.head': 'Hola de parte de {firm} ({site})' }, en: { 'letters.reminder.head': 'Hello' } })).statusCode,
    ).toBe(200)
    const { body, stopLine } = await reminder()
    expect(body).toMatch(/^Hola de parte de .* \(Mill\)$/m)
    expect(stopLine).toContain('ALTO')
    expect((await technician('GET', '/api/wording')).json().wording.en).toEqual({ 'letters.reminder.head': 'Hello' })
    await save({})
    expect((await reminder()).body).toBe(usual)
  })
  it.each([
    [
      'a value that nothing is put in for',
      { 'letters.reminder.head': 'Hello {customer}' },
      'there is no value {customer} for this text',
      /\{firm\}, \{site\}/,
    ],
    ['a brace that stands alone', { 'letters.reminder.head': 'Hello {firm' }, 'a single brace', /\{firm\}, \{site\}/],
    ['a value in a form that fails', { 'letters.reminder.head': 'Hello {site, date}' }, '{site} cannot be used like this', /\{firm\}, \{site\}/],
    ['a value where there is none', { 'letters.reminder.end': 'Call {firm}' }, 'there is no value {firm} for this text', /words alone/],
  ])('are turned down with %s, at their place, and nothing is kept', async (_, texts, what, allowed) => {
    const answer = await save({ en: texts })
    expect([answer.statusCode, answer.json().lines]).toMatchObject([
      422,
      [{ where: `wording.en.${Object.keys(texts)[0]}`, what, allowed: expect.stringMatching(allowed) }],
    ])
    expect((await owner('GET', '/api/wording')).json().wording).toEqual({})
  })
  it.each(['letters.stop', 'names.part.wheel', 'nothing.of.this'])('do not reach %s', async (key) =>
    expect((await save({ en: { [key]: 'otherwise' } })).statusCode).toBe(422),
  )
  it('are set by owners, over the version that was seen', async () => {
    const { wording, version } = (await owner('GET', '/api/wording')).json()
    expect((await technician('PUT', '/api/wording', { wording, version })).statusCode).toBe(403)
    expect((await owner('PUT', '/api/wording', { wording, version: version + 1 })).statusCode).toBe(409)
  })
  it('go along in the bundle', async () => {
    await save({ en: { 'letters.reminder.head': `Hello ${newId()}` } })
    const { firm } = (await owner('GET', '/api/bundle')).json()
    expect(firm.wording).toEqual((await Firm.findOne())?.wording)
  })
})
