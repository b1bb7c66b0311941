// A migration that was cut off goes on: wherever that was, and whether or not what was done last got on record.
import type { Sequelize } from 'sequelize'
import { ownerFrom } from '../config.ts'
import { openHouse, type TestHouse } from '../tests/database.ts'
import { connect } from './connection.ts'
import { migrate, migrator } from './migrate.ts'
import { migrations } from './migrations.ts'
import { makeMigrationSteps, runSteps } from './migrationSteps.ts'

let house: TestHouse
let owner: Sequelize
const name = () => `${house.name}_cut`
beforeAll(async () => {
  house = await openHouse()
  const server = ownerFrom(process.env)
  const first = connect(server)
  await first.query(`CREATE DATABASE ${name()} CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci`)
  await first.close()
  owner = connect({ ...server, name: name() })
})
afterAll(async () => {
  await owner.query(`DROP DATABASE ${name()}`)
  await owner.close()
  await house.close()
})

const uuid = (last: number) => `00000000-0000-7000-8000-${String(last).padStart(12, '0')}`
/** Rows of the first version, for statements that change rows to find some. */
const rows = [
  `INSERT INTO firms (name, house_rules, products, equipment) VALUES ('A firm', '{}', '[{"id":"foam","inStockLitres":2.5}]', '[]')`,
  `INSERT INTO users (firm_id, name, sign_in, role, password_hash, trained) VALUES (1, 'Ada', 'ada', 'owner', '', '[]')`,
  `INSERT INTO sessions (token_hash, user_id, expires_at) VALUES ('${'a'.repeat(64)}', 1, '2030-01-01')`,
  `INSERT INTO sites (id, firm_id, name, form, saved_by) VALUES ('${uuid(1)}', 1, 'A site', '{}', 'Ada')`,
  `INSERT INTO units (id, firm_id, site_id, name, family, design, saved_by) VALUES ('${uuid(2)}', 1, '${uuid(1)}', 'Head', 'window', '{}', 'Ada')`,
  `INSERT INTO jobs (id, firm_id, site_id, on_date, crew_ids) VALUES ('${uuid(3)}', 1, '${uuid(1)}', '2026-01-01', '[1]')`,
  `INSERT INTO job_units (job_id, unit_id, firm_id, position, scope, worst_grade, handed_over_at)
     VALUES ('${uuid(3)}', '${uuid(2)}', 1, 0, 'strip-down', 3, '2026-01-01')`,
  ...[4, 5].map(
    (id) => `INSERT INTO events (id, firm_id, job_id, unit_id, by_user, at_ms, happening)
     VALUES ('${uuid(id)}', 1, '${uuid(3)}', '${uuid(2)}', 1, 1, '{}')`,
  ),
]

/** Tables as the database describes them. */
async function shapeOf(sequelize: Sequelize): Promise<Record<string, string>> {
  const [tables] = await sequelize.query('SHOW TABLES')
  const shape: Record<string, string> = {}
  for (const table of (tables as object[]).map((row) => String(Object.values(row)[0]))) {
    const [[created]] = await sequelize.query(`SHOW CREATE TABLE ${table}`)
    shape[table] = String((created as Record<string, string>)['Create Table']).replace(/ AUTO_INCREMENT=\d+/, '')
  }
  return shape
}

it('goes on after every single statement, with the last one done and not on record', async () => {
  await makeMigrationSteps(owner)
  for (const { name: own, up } of migrations) {
    for (const [at, statement] of up.entries()) {
      // Done, and killed before a word of it was written down.
      await owner.query(statement)
      await runSteps(owner, own, up.slice(0, at + 1))
    }
    if (own === migrations[0].name) for (const row of rows) await owner.query(row)
  }
  const ran = await migrate(owner)
  expect(ran).toEqual(migrations.map((own) => own.name))
  const { turns: _, ...shape } = await shapeOf(owner)
  const whole = connect({ ...ownerFrom(process.env), name: house.name })
  const { turns: __, ...usual } = await shapeOf(whole)
  await whole.close()
  expect(shape).toEqual(usual)
  const one = async (sql: string) => Object.values((await owner.query(sql))[0][0] as object)
  expect(await one('SELECT COUNT(*), SUM(litres) FROM stock_lots')).toEqual([1, 2.5])
  expect(await one('SELECT COUNT(*), MIN(place), MAX(place) FROM events')).toEqual([2, 1, 2])
  expect(await one('SELECT log_length FROM jobs')).toEqual([2])
  expect(await one('SELECT coil_grade, left_index FROM job_units')).toEqual([3, 0.1])
}, 120_000)

it('does not take a statement that cannot be done for one that was done', async () => {
  await expect(runSteps(owner, 'made-up', ['ALTER TABLE nothing ADD COLUMN x INT'])).rejects.toThrow(/doesn't exist/)
  await expect(runSteps(owner, 'made-up', ['UPDATE users SET sign_in = NULL'])).rejects.toThrow(/cannot be null/)
})

it('runs again in full after it was taken back', async () => {
  const last = migrations.at(-1)?.name ?? ''
  await migrator(owner).down()
  expect(await migrate(owner)).toEqual([last])
})
