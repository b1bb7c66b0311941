// A MariaDB of a test's own, which may be killed and started again on the same port; told by messages, in a process of its own.
import { startMariadb } from '../../../scripts/lib/mariadb.mjs'

const [dataDir] = process.argv.slice(2)
const quiet = { log: () => undefined }
let database = await startMariadb(dataDir, quiet)
const port = Number(database.env.YASTIK_DB_PORT)
process.send({ env: database.env })
process.on('message', async (wish) => {
  if (wish === 'kill') process.kill(database.pid, 'SIGKILL')
  if (wish === 'start') database = await startMariadb(dataDir, { ...quiet, port })
  if (wish === 'stop') await database.stop()
  process.send({ done: wish })
  if (wish === 'stop') process.disconnect()
})
