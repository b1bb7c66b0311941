// The process of one app: told where it is by its environment, ended by a signal or with its launcher.
import { startServer } from './start.ts'

try {
  const server = await startServer(process.env)
  const end = async () => {
    await server.stop()
    process.exit(0)
  }
  process.once('SIGTERM', () => void end())
  process.once('SIGINT', () => void end())
  // Started by a launcher, it ends with it, however that is ended.
  process.once('disconnect', () => void end())
  if (process.send && !process.connected) await end()
  process.send?.({ listening: server.address })
} catch (error) {
  const taken = error instanceof Error && 'code' in error && error.code === 'EADDRINUSE' && 'port' in error ? String(error.port) : undefined
  if (taken === undefined) throw error
  console.error(`Port ${taken} is taken by another program. Choose another one: npm start -- --port ${Number(taken) + 1}`)
  process.exit(3)
}
