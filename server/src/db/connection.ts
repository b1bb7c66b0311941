// How is the database reached?
import { readFileSync } from 'node:fs'
import mariadb from 'mariadb'
import { Sequelize } from 'sequelize'
import type { Config } from '../config.ts'

/**
 * On a cluster a statement waits until its node has whatever was committed on any of them: who saved on one reads it on another. A server by
 * itself has nothing to wait for. Each statement of a doing reads what is committed by then: what was read before somebody else's lock was waited
 * for is stale. A lock is waited for no longer than somebody waits for an answer; then the doing is done again.
 */
const session = [
  'SET SESSION wsrep_sync_wait = 1',
  'SET SESSION TRANSACTION ISOLATION LEVEL READ COMMITTED',
  'SET SESSION innodb_lock_wait_timeout = 4',
]

/** So many connections a process holds. */
const connections = 10
/**
 * So many statements that are shared are under way at a time: doings find a connection, and who asks for the same meets while it waits. Two or three
 * bear the most; with three, one that takes long leaves the others two.
 */
export const mostShared = 3

/** What the driver takes: whoever cannot show a certificate for its name is not spoken to. */
const sslOf = (tls: Config['database']['tls']) =>
  tls ? { ssl: { rejectUnauthorized: true, ...(tls.caFile === undefined ? {} : { ca: readFileSync(tls.caFile) }) } } : {}

/** By which TLS a connection was made: the library keeps it to itself. */
export const tlsTo = new WeakMap<Sequelize, NonNullable<Config['database']['tls']>>()

export function connect({ host, port, user, password, name, tls }: Config['database']): Sequelize {
  const sequelize = new Sequelize(name, user, password, {
    host,
    port,
    dialect: 'mariadb',
    dialectModule: mariadb,
    logging: false,
    timezone: '+00:00',
    pool: { max: connections, acquire: 20_000 },
    define: { timestamps: false, underscored: true },
    // A machine that stands still for a moment is no database that is away.
    dialectOptions: { charset: 'utf8mb4', connectTimeout: 10_000, initSql: session, ...sslOf(tls) },
  })
  if (tls) tlsTo.set(sequelize, tls)
  return sequelize
}
