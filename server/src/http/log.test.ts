import { buildApp } from '../app.ts'
import { User } from '../db/models.ts'
import { addFirm, openHouse, type TestHouse } from '../tests/database.ts'
import { plainError } from './log.ts'

let house: TestHouse
beforeAll(async () => {
  house = await openHouse()
  await addFirm('a')
})
afterAll(() => house.close())

const failing = (work: () => Promise<unknown>) =>
  work().then(
    () => Promise.reject(new Error('it did not fail')),
    (error: Error) => error,
  )
const secret = 'Aldwin Marsh, 9 Fen Row'

describe('the log', () => {
  it('holds no value of a statement, whatever the database says of it', async () => {
    const errors = await Promise.all([
      failing(() => house.sequelize.query('SELECT nothing FROM nowhere WHERE name = :secret', { replacements: { secret } })),
      failing(() => User.create({ firmId: 1, name: secret, signIn: 'owner-a', role: 'owner', trained: [], passwordHash: secret })),
      failing(() => User.create({ firmId: 1, name: secret.repeat(20), signIn: 'new', role: 'owner', trained: [], passwordHash: '' })),
    ])
    for (const error of errors) {
      expect(JSON.stringify([error.message, { ...error }])).toContain('Aldwin')
      const { message, stack } = plainError(error)
      expect(message).toMatch(/^database: /)
      expect(stack).toMatch(/\n\s+at /)
      expect(JSON.stringify(plainError(error))).not.toMatch(/Aldwin|Fen Row|owner-a|INSERT|SELECT/)
    }
  })
  it('says what failed and where, where it is a fault of ours', () => {
    expect(plainError(new TypeError('x is not a function'))).toMatchObject({ type: 'TypeError', message: 'x is not a function' })
  })
  it('of an answer that failed names neither who asked nor what', async () => {
    const lines: string[] = []
    const app = await buildApp({
      sequelize: house.sequelize,
      files: house.files,
      log: 'faults',
      logTo: { write: (line) => void lines.push(line) },
    })
    app.get('/fails', { config: { audience: 'anyone' } }, () =>
      house.sequelize.query('SELECT nothing FROM nowhere WHERE a = :secret', { replacements: { secret } }),
    )
    const answer = await app.inject({
      url: `/fails?name=${encodeURIComponent(secret)}`,
      headers: { host: 'yastik.test', cookie: 'yastik_session=abc' },
    })
    await app.close()
    expect(answer.statusCode).toBe(500)
    expect(lines.join('')).toContain('database: ER_NO_SUCH_TABLE')
    expect(lines.join('')).not.toMatch(/Aldwin|Fen|abc|nowhere/)
  })
})
