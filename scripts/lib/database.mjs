// Which database do commands work on? The one that the environment names, or that of `npm start`, running or not.
import { existsSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { ownServerPid, startMariadb } from './mariadb.mjs'

/**
 * Runs `work` with what is needed to connect, and ends what was started for it.
 * @template T
 * @param {string} dataDir of `npm start`
 * @param {(env: Record<string, string>) => Promise<T>} work
 * @returns {Promise<T>}
 */
export async function withDatabase(dataDir, work) {
  const connectionFile = join(dataDir, 'connection.json')
  const isNamed = process.env.YASTIK_DB_PORT !== undefined
  const isRunning = ownServerPid(dataDir) !== undefined && existsSync(connectionFile)
  const database = isNamed || isRunning ? undefined : await startMariadb(dataDir, { keepsChanges: true })
  const env = isNamed
    ? Object.fromEntries(Object.entries(process.env).filter(([name]) => name.startsWith('YASTIK_DB_')))
    : (database?.env ?? JSON.parse(readFileSync(connectionFile, 'utf8')))
  try {
    return await work(env)
  } finally {
    await database?.stop()
  }
}

/** TLS to the database, as the app has it: `1`, or a file of certificates. */
const tlsOf = (text = '') => {
  if (text === '' || text === '0') return []
  return ['--ssl', '--ssl-verify-server-cert', ...(text === '1' ? [] : [`--ssl-ca=${text}`])]
}

/** Arguments and environment of MariaDB's own clients, which read and make whole tables: by the account that owns them. */
export const clientOf = (env) => ({
  args: [
    '--no-defaults',
    `--host=${env.YASTIK_DB_HOST ?? '127.0.0.1'}`,
    `--port=${env.YASTIK_DB_PORT}`,
    '--protocol=TCP',
    `--user=${env.YASTIK_DB_OWNER ?? env.YASTIK_DB_USER}`,
    ...tlsOf(env.YASTIK_DB_TLS),
  ],
  name: env.YASTIK_DB_NAME,
  env: { ...process.env, MYSQL_PWD: env.YASTIK_DB_OWNER_PASSWORD ?? env.YASTIK_DB_PASSWORD },
})
