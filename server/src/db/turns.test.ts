import { setTimeout as pause } from 'node:timers/promises'
import { openHouse, type TestHouse } from '../tests/database.ts'
import { migrationNames } from './migrations.ts'
import { migrate, migrator } from './migrate.ts'
import { inTurn } from './turns.ts'
import { connect } from './connection.ts'
import { ownerFrom } from '../config.ts'

let house: TestHouse
beforeAll(async () => {
  house = await openHouse()
})
afterAll(() => house.close())

describe('a turn', () => {
  it('is one at a time, and everybody’s in the end', async () => {
    let [inside, most, done] = [0, 0, 0]
    await Promise.all(
      Array.from({ length: 6 }, () =>
        inTurn(house.sequelize, 'counting', async () => {
          most = Math.max(most, ++inside)
          await pause(20)
          ;[inside, done] = [inside - 1, done + 1]
        }),
      ),
    )
    expect([most, done]).toEqual([1, 6])
  })
  it('is given on where its work failed', async () => {
    await expect(inTurn(house.sequelize, 'failing', () => Promise.reject(new Error('as it may')))).rejects.toThrow('as it may')
    expect(await inTurn(house.sequelize, 'failing', () => Promise.resolve('next'))).toBe('next')
  })
  it('of whoever died in it ends by itself', async () => {
    await inTurn(house.sequelize, 'dying', () => Promise.resolve())
    await house.sequelize.query(
      "UPDATE turns SET holder = 'somebody who is no more', until = UTC_TIMESTAMP(3) + INTERVAL 1 SECOND WHERE what = 'dying'",
    )
    const startedMs = performance.now()
    expect(await inTurn(house.sequelize, 'dying', () => Promise.resolve('ours'))).toBe('ours')
    expect(performance.now() - startedMs).toBeGreaterThan(500)
  })
  it('does not hold up another one', async () => {
    const inner = await inTurn(house.sequelize, 'outer', () => inTurn(house.sequelize, 'inner', () => Promise.resolve('both')))
    expect(inner).toBe('both')
  })
})

describe('migrations', () => {
  it('run once where several processes start at once on a database that is new', async () => {
    const owner = ownerFrom(process.env)
    const first = connect(owner)
    const name = `${house.name}_new`
    await first.query(`CREATE DATABASE ${name} CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci`)
    const several = Array.from({ length: 3 }, () => connect({ ...owner, name }))
    try {
      const ran = await Promise.all(several.map((own) => migrate(own)))
      expect(ran.flat()).toEqual([...migrationNames])
      expect((await migrator(several[0]).executed()).map((own) => own.name)).toEqual([...migrationNames])
    } finally {
      for (const own of several) await own.close()
      await first.query(`DROP DATABASE ${name}`)
      await first.close()
    }
  }, 60_000)
})
