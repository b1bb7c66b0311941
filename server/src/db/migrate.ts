// Brings the database to its present shape.
import type { Sequelize } from 'sequelize'
import { SequelizeStorage, Umzug } from 'umzug'
import type { Config } from '../config.ts'
import { connect } from './connection.ts'
import { migrationNames, migrations } from './migrations.ts'
import { makeMigrationSteps, runSteps, undoSteps } from './migrationSteps.ts'
import { inTurn, makeTurns } from './turns.ts'

/** The migrations as the runner takes them. */
const runnable = (sequelize: Sequelize) =>
  migrations.map(({ name, up, down }) => ({
    name,
    up: () => runSteps(sequelize, name, up),
    down: () => undoSteps(sequelize, name, down),
  }))

export const migrator = (sequelize: Sequelize) =>
  new Umzug({ migrations: runnable(sequelize), storage: new SequelizeStorage({ sequelize, tableName: 'migrations' }), logger: undefined })

/** Runs what has not run yet; one process at a time. @returns what ran */
export async function migrate(sequelize: Sequelize): Promise<string[]> {
  await makeTurns(sequelize)
  return inTurn(sequelize, 'migrations', async () => {
    await makeMigrationSteps(sequelize)
    return (await migrator(sequelize).up()).map(({ name }) => name)
  })
}

/** What has run on this database and is not known here: a newer version was at work on it. */
export async function unknownMigrations(sequelize: Sequelize): Promise<string[]> {
  const ran = await migrator(sequelize).executed()
  return ran.map(({ name }) => name).filter((name) => !migrationNames.includes(name))
}

/** By an account of its own, which is let go afterwards. @returns what {@link unknownMigrations} says */
export async function migrateAs(owner: Config['database']): Promise<string[]> {
  const sequelize = connect(owner)
  try {
    await migrate(sequelize)
    return await unknownMigrations(sequelize)
  } finally {
    await sequelize.close()
  }
}
