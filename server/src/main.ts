// Starts one app process: connects, migrates, loads the demo when asked to, listens.
import { buildApp } from './app.ts'
import { configFrom } from './config.ts'
import { connect } from './db/connection.ts'
import { Db } from './db/database.ts'
import { migrate } from './db/migrate.ts'
import { defineModels } from './db/models.ts'
import { loadDemo } from './demo/load.ts'
import { simulatedSource } from './instruments/source.ts'
import { simulatedGateway } from './messages/gateway.ts'
import { keepRunning } from './messages/outbox.ts'
import { simulatedWeather } from './weather/source.ts'

const outboxEveryMs = 1500

const config = configFrom(process.env)
const sequelize = connect(config.database)
defineModels(sequelize)
await migrate(sequelize)
if (config.demo) await loadDemo(new Db(sequelize))
const gateway = config.simulatedMessages ? simulatedGateway : undefined
const app = await buildApp({
  sequelize,
  filesRoot: config.filesRoot,
  instruments: config.simulatedInstruments ? simulatedSource : undefined,
  gateway,
  weather: config.simulatedWeather ? simulatedWeather : undefined,
  webRoot: config.webRoot,
  secureCookies: config.secureCookies,
  trustProxy: config.trustProxy,
  graceMs: config.graceMs,
  log: true,
})

const stopOutbox = gateway && keepRunning(new Db(sequelize), gateway, outboxEveryMs, (error) => app.log.error(error))

const stop = async () => {
  await stopOutbox?.()
  await app.close()
  await sequelize.close()
  process.exit(0)
}
process.once('SIGTERM', () => void stop())
process.once('SIGINT', () => void stop())

try {
  await app.listen({ port: config.port, host: config.host })
  process.send?.({ listening: app.server.address() })
} catch (error) {
  const taken = error instanceof Error && 'code' in error && error.code === 'EADDRINUSE'
  if (!taken) throw error
  console.error(`Port ${config.port} is taken by another program. Choose another one: npm start -- --port ${config.port + 1}`)
  process.exit(3)
}
