// Loaded before the server's own code: its clock stands where the test puts it. The server itself is untouched.
let shiftMs = 0
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
/** Puts the clock so far off the real one. */
export const moveClock = (ms) => {
  shiftMs = ms
}
