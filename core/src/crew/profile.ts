// How much of a resource is in use over time? A step function that can be searched for the first free stretch.
export class Profile {
  private readonly capacity: number
  /** `inUse[i]` holds from `times[i]` to `times[i + 1]`; neighbours differ, so that a busy stretch is one entry. */
  private readonly times: number[] = [0]
  private readonly inUse: number[] = [0]

  constructor(capacity: number) {
    this.capacity = capacity
  }

  /** Adds `amount` (negative takes it away again) from `start` to `end`. */
  add(start: number, end: number, amount: number): void {
    if (end <= start) return
    const first = this.cut(start)
    const last = this.cut(end)
    for (let index = first; index < last; index++) this.inUse[index] += amount
    this.join(last)
    this.join(first)
  }

  /** Earliest start at or after `from` at which `need` is free for `minutes`. `need` is within capacity. */
  firstFree(from: number, minutes: number, need: number): number {
    if (minutes === 0) return from
    let start = from
    for (let index = this.indexAt(from); index < this.times.length; index++) {
      if (this.times[index] >= start + minutes) break
      if (this.inUse[index] + need > this.capacity) start = this.times[index + 1]
    }
    return start
  }

  private cut(time: number): number {
    const index = this.indexAt(time)
    if (this.times[index] === time) return index
    this.times.splice(index + 1, 0, time)
    this.inUse.splice(index + 1, 0, this.inUse[index])
    return index + 1
  }

  /** Makes one entry of two neighbours that are alike. */
  private join(index: number): void {
    if (index === 0 || this.inUse[index] !== this.inUse[index - 1]) return
    this.times.splice(index, 1)
    this.inUse.splice(index, 1)
  }

  /** Index of the stretch that holds `time`. */
  private indexAt(time: number): number {
    let low = 0
    let high = this.times.length - 1
    while (low < high) {
      const middle = (low + high + 1) >> 1
      if (this.times[middle] <= time) low = middle
      else high = middle - 1
    }
    return low
  }
}
