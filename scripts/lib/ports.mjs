// Ports of loopback that nobody listens on.
import { randomInt } from 'node:crypto'
import { createServer } from 'node:net'

/** Below the ports that the system gives to outgoing connections, which may take one between a look and its use. */
const [least, most] = [15_000, 32_000]

export const isFreePort = (port) =>
  new Promise((resolve) => {
    const probe = createServer()
      .once('error', () => resolve(false))
      .listen(port, '127.0.0.1', () => probe.close(() => resolve(true)))
  })

export async function freePort() {
  for (;;) {
    const port = randomInt(least, most)
    if (await isFreePort(port)) return port
  }
}
