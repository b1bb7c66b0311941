// Brings the database to its present shape.
import type { Sequelize } from 'sequelize'
import { SequelizeStorage, Umzug } from 'umzug'
import type { Config } from '../config.ts'
import { connect } from './connection.ts'
import { runnable } from './migrations.ts'

export const migrator = (sequelize: Sequelize) =>
  new Umzug({ migrations: runnable(sequelize), storage: new SequelizeStorage({ sequelize, tableName: 'migrations' }), logger: undefined })

/** Runs what has not run yet; one process at a time, by a lock in the database. */
export async function migrate(sequelize: Sequelize): Promise<string[]> {
  return sequelize.transaction(async (transaction) => {
    await sequelize.query("SELECT GET_LOCK('yastik-migrate', 60)", { transaction })
    try {
      return (await migrator(sequelize).up()).map(({ name }) => name)
    } finally {
      await sequelize.query("SELECT RELEASE_LOCK('yastik-migrate')", { transaction })
    }
  })
}

/** The same by an account of its own, which is let go afterwards. */
export async function migrateAs(owner: Config['database']): Promise<void> {
  const sequelize = connect(owner)
  try {
    await migrate(sequelize)
  } finally {
    await sequelize.close()
  }
}
