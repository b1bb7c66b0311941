// How does a migration go on that was cut off? Statement by statement: each that is done is on record, and one that was done without getting on
// record is known by what the database says when it is done again. Statements that make tables end their transaction by themselves, so that no
// transaction holds a whole migration together.
import type { Sequelize, Transaction } from 'sequelize'
import { errorNumber } from './retry.ts'

const table = 'migration_steps'

/** The table of statements that are done, by the account that may make tables: before any migration runs, and so by none of them. */
export const makeMigrationSteps = (sequelize: Sequelize): Promise<unknown> =>
  sequelize.query(
    `CREATE TABLE IF NOT EXISTS ${table} (name VARCHAR(120) CHARACTER SET ascii COLLATE ascii_bin NOT NULL, step INT NOT NULL,
       PRIMARY KEY (name, step)) ENGINE = InnoDB`,
  )

/** What the database says of a change of its tables that was made before: table, column or key is there already, or gone (MariaDB, error codes). */
const madeBefore: readonly number[] = [1050, 1051, 1060, 1061, 1091]
/** What it says of rows that were put in before. */
const rowIsThere = 1062

const changesRows = (statement: string) => /^\s*(INSERT|UPDATE|DELETE)\b/i.test(statement)
function wasDoneBefore(statement: string, error: unknown): boolean {
  const number = errorNumber(error)
  if (number === undefined) return false
  return changesRows(statement) ? number === rowIsThere && /^\s*INSERT\b/i.test(statement) : madeBefore.includes(number)
}

/** Runs the statements of a migration that are not done yet. @throws whatever the database says of a statement that cannot be done */
export async function runSteps(sequelize: Sequelize, name: string, statements: readonly string[]): Promise<void> {
  const [rows] = await sequelize.query(`SELECT step FROM ${table} WHERE name = :name`, { replacements: { name } })
  const done = new Set((rows as { step: number }[]).map(({ step }) => step))
  for (const [step, statement] of statements.entries()) {
    if (done.has(step)) continue
    const record = (transaction?: Transaction) =>
      sequelize.query(`INSERT IGNORE INTO ${table} (name, step) VALUES (:name, :step)`, { replacements: { name, step }, transaction })
    try {
      // What changes rows is on record together with what it did.
      if (changesRows(statement))
        await sequelize.transaction(async (transaction) => {
          await sequelize.query(statement, { transaction })
          await record(transaction)
        })
      else await sequelize.query(statement)
    } catch (error) {
      if (!wasDoneBefore(statement, error)) throw error
    }
    await record()
  }
}

/** Takes a migration back: what was on record of it is not any more. */
export async function undoSteps(sequelize: Sequelize, name: string, statements: readonly string[]): Promise<void> {
  await sequelize.query(`DELETE FROM ${table} WHERE name = :name`, { replacements: { name } })
  for (const statement of statements)
    await sequelize.query(statement).catch((error: unknown) => {
      if (!wasDoneBefore(statement, error)) throw error
    })
}
