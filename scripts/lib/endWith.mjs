// Ends a process when the one that started this ends, however it is ended. Arguments: pid, and an argument by which the process is known.
import { endProcess } from './processes.mjs'

const [pid, argument] = process.argv.slice(2)
const patienceMs = 120_000
// What ends the launcher's group must not end this before its work is done.
for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) process.on(signal, () => undefined)
process.once('disconnect', () => void endProcess(Number(pid), argument, patienceMs).then(() => process.exit(0)))
