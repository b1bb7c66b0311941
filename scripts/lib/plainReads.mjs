// Thread: reads something plain again and again, as somebody else does meanwhile, and says how long the longest of it took. Apart from whoever sends:
// bodies of many MB would hold up its own loop.
import { parentPort, workerData } from 'node:worker_threads'
import { setTimeout as pause } from 'node:timers/promises'

const { url, cookie } = workerData
let isReading = false
let longestMs = 0
let isDown = false
async function read() {
  while (isReading) {
    const startedMs = performance.now()
    await fetch(url, { headers: { cookie } }).then(
      (answer) => answer.text(),
      () => {
        isDown = true
      },
    )
    longestMs = Math.max(longestMs, performance.now() - startedMs)
    await pause(10)
  }
}
let reading
parentPort.on('message', async (what) => {
  if (what === 'begin') {
    ;[isReading, longestMs, isDown] = [true, 0, false]
    reading = read()
  } else {
    isReading = false
    await reading
    parentPort.postMessage({ longestMs, isDown })
  }
})
