// Loaded before the server's own code: its clock stands where the test puts it. The server itself is untouched.
let shiftMs = Number(process.env.TEST_CLOCK_SHIFT_MS ?? 0)
const RealDate = Date
globalThis.Date = class extends RealDate {
  constructor(...given) {
    if (given.length > 0) super(...given)
    else super(RealDate.now() + shiftMs)
  }
  static now() {
    return RealDate.now() + shiftMs
  }
}
process.on('message', (message) => {
  if (message.shiftMs === undefined) return
  shiftMs = message.shiftMs
  process.send?.({ shifted: shiftMs })
})
// Listening for messages must not keep the process from ending.
process.channel?.unref()
