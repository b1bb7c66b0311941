// How does a thread reach the database? By connections of its own, to the same one.
import type { Sequelize } from 'sequelize'
import type { Config } from '../config.ts'
import { connect, tlsTo } from '../db/connection.ts'
import { Db } from '../db/database.ts'
import { defineModels } from '../db/models.ts'

/** How the database of a process is reached, as a thread can be told. */
export const databaseOf = (sequelize: Sequelize): Config['database'] => {
  const { host, port, username, password, database } = sequelize.config
  const own = { host: host ?? '', port: Number(port), user: username, password: password ?? '', name: database }
  const tls = tlsTo.get(sequelize)
  return tls ? { ...own, tls } : own
}

/** Works on the database, and lets it go. */
export async function withDb<Result>(database: Config['database'], work: (db: Db) => Promise<Result>): Promise<Result> {
  const sequelize = connect(database)
  defineModels(sequelize)
  try {
    return await work(new Db(sequelize))
  } finally {
    await sequelize.close()
  }
}
