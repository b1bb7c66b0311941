import { builtInProducts, builtInVan } from '@yastik/core/products'
import { addFirm, openHouse, signedIn, type Ask, type TestHouse } from '../tests/database.ts'

let house: TestHouse
let owner: Ask
let technician: Ask
let other: Ask
beforeAll(async () => {
  house = await openHouse()
  await addFirm('a')
  await addFirm('b')
  owner = await signedIn(house.app, 'owner-a')
  technician = await signedIn(house.app, 'technician-a')
  other = await signedIn(house.app, 'owner-b')
})
afterAll(() => house.close())

const van = { products: builtInProducts.slice(0, 3), equipment: builtInVan.slice(0, 2) }

describe('stores', () => {
  it('are changed by the owner over the version that was seen, and read by everybody of the firm', async () => {
    expect((await owner('PUT', '/api/stores', { ...van, version: 1 })).json()).toEqual({ ...van, version: 2 })
    expect((await technician('GET', '/api/stores')).json()).toEqual({ ...van, version: 2 })
    expect((await other('GET', '/api/stores')).json()).toEqual({ products: [], equipment: [], version: 1 })
    const late = await owner('PUT', '/api/stores', { products: [], equipment: [], version: 1 })
    expect(late.json()).toMatchObject({ code: 'changed-meanwhile' })
    expect((await owner('GET', '/api/stores')).json().products).toHaveLength(3)
  })
  it('are not changed by a technician, nor read without a session', async () => {
    expect((await technician('PUT', '/api/stores', { ...van, version: 2 })).statusCode).toBe(403)
    expect((await house.app.inject({ method: 'GET', url: '/api/stores', headers: { host: 'yastik.test' } })).statusCode).toBe(401)
  })
  it('turn down a label that cannot be, with its place, and keep what was', async () => {
    const [product] = builtInProducts
    const bad = { ...product, label: { ...product.label, pH: [9, 15] } }
    const answer = await owner('PUT', '/api/stores', { products: [bad], equipment: [], version: 2 })
    expect(answer.statusCode).toBe(422)
    expect(answer.json().lines[0]).toMatchObject({ where: 'products[0].label.pH[1]', allowed: expect.stringContaining('14') })
    expect((await owner('GET', '/api/stores')).json()).toEqual({ ...van, version: 2 })
  })
})
