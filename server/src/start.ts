// Starts one app: connects, migrates, loads the demo when asked to, listens.
import type { AddressInfo } from 'node:net'
import { buildApp } from './app.ts'
import { configFrom, ownerFrom } from './config.ts'
import { keepClearing } from './customers/doings.ts'
import { connect } from './db/connection.ts'
import { Db } from './db/database.ts'
import { migrateAs } from './db/migrate.ts'
import { defineModels } from './db/models.ts'
import { inTurn } from './db/turns.ts'
import { storeAt } from './files/place.ts'
import type { InstrumentSource } from './instruments/source.ts'
import type { MessageGateway } from './messages/gateway.ts'
import { keepRunning } from './messages/outbox.ts'
import { adapterOf, functionOf } from './modules.ts'
import { watchDisks } from './running/room.ts'
import { keepLearning } from './upkeep/doings.ts'
import type { WeatherSource } from './weather/source.ts'

const outboxEveryMs = 1500
/** What is kept no longer is cleared so often. */
const clearEveryMs = 6 * 3_600_000
/** Firms that have something to learn from for the first time are looked for so often. */
const learnEveryMs = 3_600_000

export interface RunningServer {
  readonly address: AddressInfo | string | null
  /** Answers what is under way, and ends. */
  stop(): Promise<void>
}

/**
 * @param env what `docs/running` says of the environment
 * @throws Error naming what is missing or wrong in it; of Node where the port is taken (`EADDRINUSE`)
 */
export async function startServer(env: NodeJS.ProcessEnv): Promise<RunningServer> {
  const config = configFrom(env)
  const { modules } = config
  const unknown = await migrateAs(ownerFrom(env))
  if (unknown.length > 0)
    console.warn(
      `This database was brought to a newer shape by a newer version (${unknown.join(', ')}): start that version, or restore a backup of this one.`,
    )
  const sequelize = connect(config.database)
  const db = new Db(sequelize)
  defineModels(sequelize)
  const loadDemo = await functionOf<[Db]>('YASTIK_DEMO', modules.demo)
  // One process at a time: two that find the database empty would fill it twice.
  if (loadDemo) await inTurn(sequelize, 'demo', () => loadDemo(db))
  const files = await storeAt(config.files.place, config.files.endpoint)
  const gateway = await adapterOf<MessageGateway>('YASTIK_MESSAGES', modules.messages, ['send', 'ask'])
  const app = await buildApp({
    sequelize,
    files,
    instruments: await adapterOf<InstrumentSource>('YASTIK_INSTRUMENTS', modules.instruments, ['read', 'photograph']),
    gateway,
    weather: await adapterOf<WeatherSource>('YASTIK_WEATHER', modules.weather, ['forecast', 'climate']),
    hasRoom: watchDisks(config.disks),
    webRoot: config.webRoot,
    secureCookies: config.secureCookies,
    trustProxy: config.trustProxy,
    graceMs: config.graceMs,
    log: config.log,
    ...(config.metricsToken === undefined ? {} : { metricsToken: config.metricsToken }),
  })
  const stopOutbox = gateway && keepRunning(db, gateway, outboxEveryMs, (error) => app.log.error(error))
  const stopClearing = keepClearing(db, files, clearEveryMs, (error) => app.log.error(error))
  const stopLearning = keepLearning(db, learnEveryMs, (error) => app.log.error(error))
  const stop = async () => {
    stopLearning()
    stopClearing()
    await stopOutbox?.()
    await app.close()
    await sequelize.close()
  }
  await app.listen({ port: config.port, host: config.host })
  return { address: app.server.address(), stop }
}
