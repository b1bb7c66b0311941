// How long does a plain read wait while somebody sends the worst that an endpoint takes? Bodies as large as it allows: names that nobody knows, lists
// of nothing, values within one another, text without an end, half a file; and of files, those that cost the most for each byte.
import { once } from 'node:events'
import { Worker } from 'node:worker_threads'
import { deflateSync } from 'node:zlib'

/** More than this no read may wait, ms; and no process may grow beyond, MB. */
export const mostWaitMs = 250
export const mostMemoryMb = 600

const filled = (bytes, part) => part.repeat(Math.max(1, Math.floor(bytes / part.length)))
const json = (text) => ({ type: 'application/json', body: Buffer.from(text) })

/** A PNG of so many pixels by so many, all black, a few kB however many. */
function png(width, height) {
  const table = Array.from({ length: 256 }, (_, n) => {
    let value = n
    for (let bit = 0; bit < 8; bit++) value = value & 1 ? 0xedb88320 ^ (value >>> 1) : value >>> 1
    return value >>> 0
  })
  const crcOf = (bytes) => {
    let crc = 0xffffffff
    for (const byte of bytes) crc = table[(crc ^ byte) & 255] ^ (crc >>> 8)
    return (crc ^ 0xffffffff) >>> 0
  }
  const chunk = (name, data) => {
    const own = Buffer.concat([Buffer.from(name), data])
    const [length, crc] = [Buffer.alloc(4), Buffer.alloc(4)]
    length.writeUInt32BE(data.length)
    crc.writeUInt32BE(crcOf(own))
    return Buffer.concat([length, own, crc])
  }
  const head = Buffer.alloc(13)
  head.writeUInt32BE(width, 0)
  head.writeUInt32BE(height, 4)
  head.set([1, 0, 0, 0, 0], 8)
  const row = Math.ceil(width / 8) + 1
  return Buffer.concat([
    Buffer.from([137, 80, 78, 71, 13, 10, 26, 10]),
    chunk('IHDR', head),
    chunk('IDAT', deflateSync(Buffer.alloc(row * height), { level: 9 })),
    chunk('IEND', Buffer.alloc(0)),
  ])
}

const zoned = (rule, entries) =>
  [
    'BEGIN:VCALENDAR\r\nVERSION:2.0\r\nPRODID:x\r\nBEGIN:VTIMEZONE\r\nTZID:Z\r\nBEGIN:STANDARD\r\nDTSTART:16010101T000000\r\nTZOFFSETFROM:+0100\r\nTZOFFSETTO:+0000',
    `RRULE:${rule}\r\nEND:STANDARD\r\nEND:VTIMEZONE`,
    ...Array.from({ length: entries }, (_, at) => `BEGIN:VEVENT\r\nUID:u${at}\r\nDTSTART;TZID=Z:99990101T000000\r\nSUMMARY:${at}\r\nEND:VEVENT`),
    'END:VCALENDAR',
  ].join('\r\n')

/** Worst bodies of an endpoint, by what makes each one bad. */
export function worstBodies(name, { most = 100_000, takes, body }) {
  // Just within what is taken.
  const room = most - 2000
  if (takes?.some((type) => type.startsWith('image/')))
    return {
      strip: { type: 'image/png', body: png(1, 3_900_000) },
      large: { type: 'image/png', body: png(6200, 6400) },
      noise: { type: 'image/png', body: Buffer.alloc(room, 0xff) },
    }
  const type = takes?.[0] ?? 'application/json'
  const lists = Object.keys(body?.shape ?? { sites: 1, events: 1 })
  const all = {
    names: json(`{${Array.from({ length: Math.floor(room / 14) }, (_, at) => `"k${String(at).padStart(8, '0')}":0`).join(',')}}`),
    nothing: json(`{${lists.map((list) => `"${list}":[${filled(room / lists.length, '0,')}0]`).join(',')}}`),
    objects: json(`{${lists.map((list) => `"${list}":[${filled(room / lists.length, '{},')}{}]`).join(',')}}`),
    within: json(`${filled(room / 2, '[')}${filled(room / 2, ']')}`),
    text: json(`{"${lists[0]}":"${filled(room, 'a ')}"}`),
    half: json(filled(room, '[{"a":')),
  }
  const calendar = (rule, entries) => json(JSON.stringify({ text: zoned(rule, entries) }).slice(0, room))
  const more =
    name === 'takeVisits'
      ? { seconds: calendar('FREQ=SECONDLY', 1), yearly: calendar('FREQ=YEARLY', 2000), entries: calendar('FREQ=YEARLY', 1999) }
      : {}
  return Object.fromEntries(Object.entries({ ...all, ...more }).map(([what, own]) => [what, { ...own, type }]))
}

/**
 * Whoever reads something plain meanwhile.
 * @returns what sends one body several times at once, and says how long a read waited at the longest, ms, and whether one was not answered
 */
export function plainReader(url, cookie) {
  const reader = new Worker(new URL('./plainReads.mjs', import.meta.url), { workerData: { url, cookie } })
  return {
    async whileSending(send, times) {
      reader.postMessage('begin')
      await Promise.all(Array.from({ length: times }, send))
      reader.postMessage('end')
      const [said] = await once(reader, 'message')
      return said
    },
    close: () => reader.terminate(),
  }
}
