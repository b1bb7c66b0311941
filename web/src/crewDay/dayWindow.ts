// Which part of the day is drawn, and how does it move?

/** Minutes from the beginning of the day. */
export interface DayWindow {
  readonly fromMin: number
  readonly toMin: number
}
/** Nobody looks closer. */
export const leastMin = 10

/** A window within a day of so many minutes, as long as it was where there is room. */
function within(fromMin: number, lengthMin: number, endMin: number): DayWindow {
  const length = Math.min(Math.max(lengthMin, leastMin), endMin)
  const from = Math.min(Math.max(0, fromMin), endMin - length)
  return { fromMin: from, toMin: from + length }
}

export const wholeDay = (endMin: number): DayWindow => ({ fromMin: 0, toMin: endMin })
/** @param share of what is drawn: 0.5 goes on by half of it, −0.5 back */
export const movedBy = ({ fromMin, toMin }: DayWindow, share: number, endMin: number): DayWindow =>
  within(fromMin + share * (toMin - fromMin), toMin - fromMin, endMin)
/** @param factor 2 shows half as much @param atMin what stays where it is; else the middle */
export function zoomedBy({ fromMin, toMin }: DayWindow, factor: number, endMin: number, atMin = (fromMin + toMin) / 2): DayWindow {
  const length = Math.min(Math.max((toMin - fromMin) / factor, leastMin), endMin)
  return within(atMin - ((atMin - fromMin) / (toMin - fromMin)) * length, length, endMin)
}
/** The same window in a day that has become longer or shorter; who saw all of it still does. */
export const keptIn = (window: DayWindow, beforeMin: number, endMin: number): DayWindow =>
  window.fromMin <= 0 && window.toMin >= beforeMin ? wholeDay(endMin) : within(window.fromMin, window.toMin - window.fromMin, endMin)

/** A bar that a finger finds and an eye reads, pixels. */
const readablePx = 26
/**
 * What is drawn at first: the whole day where its bars can be read, else as much of its beginning as can.
 * @param lanePx length of all lanes together, pixels
 */
export const firstWindow = (bars: number, lanePx: number, endMin: number): DayWindow =>
  within(0, bars === 0 ? endMin : (endMin * lanePx) / (bars * readablePx), endMin)

const steps = [1, 2, 5, 10, 15, 30, 60, 120, 240, 480]
/** Minutes of the day's clock at which lines are drawn: round ones, at most so many. @param startMin by the clock, when the day begins */
export function clockTicks({ fromMin, toMin }: DayWindow, startMin: number, most: number): number[] {
  const step = steps.find((own) => (toMin - fromMin) / own <= most) ?? 960
  const first = Math.ceil((startMin + fromMin) / step) * step
  return Array.from({ length: Math.floor((startMin + toMin - first) / step) + 1 }, (_, at) => first + at * step)
}
