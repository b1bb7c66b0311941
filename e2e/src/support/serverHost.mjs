// Runs one server after another, by the module it is given, each as it is told to by a message: what the server is made of is loaded once, not for every test file.
import { moveClock } from './serverClock.mjs'

let server
process.on('message', async ({ start, stop, shiftMs }) => {
  if (shiftMs !== undefined) moveClock(shiftMs)
  if (start) {
    const { startServer } = await import(process.argv[2])
    server = await startServer(start)
  }
  if (stop) await server.stop()
  process.send({ port: server?.address.port })
})
process.once('disconnect', () => process.exit())
