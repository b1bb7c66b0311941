// Is a figure within its budget, on whatever machine? Each group of figures is measured between two timings of one plain loop; budgets of time are
// scaled by how long that took against the machine that they were set on.
import { execFileSync } from 'node:child_process'

/** What the loop takes on the machine that the budgets are for, ms. */
const usualMs = 3800

/** How much slower this machine is than the one that the budgets are for, at this moment; at least as quick counts as that. */
export const slowerThanUsual = () => Math.max(1, loopMs() / usualMs)

/** 3·10⁸ additions by a fresh Node, at the top of its script: within a function that is warm they take a tenth, now and then. */
const loop = 'let sum = 0; const startedMs = Date.now(); for (let at = 0; at < 3e8; at++) sum += at; console.log(Date.now() - startedMs)'
const loopMs = () => Number(execFileSync(process.execPath, ['-e', loop], { encoding: 'utf8', env: { ...process.env, NODE_OPTIONS: '' } }))

const round = (value) => Math.round(value * 100) / 100
const isTimed = (unit) => unit === 'ms' || unit === '/s'

/** @param {(line: object) => void} write hears each figure as it is known, with its budget as it is for this machine */
export function measuring(write) {
  let within = 0
  let judged = 0
  let pending = []
  /** A figure: its name, value, unit, the budget, and whether more is better. */
  const print = (name, value, unit, budget, atLeast = false) => void pending.push({ name, value, unit, budget, atLeast })
  async function group(name, work) {
    const beforeMs = loopMs()
    await work(print)
    const afterMs = loopMs()
    const slower = (beforeMs + afterMs) / 2 / usualMs
    write({ name: `${name}: the loop before and after`, value: [Math.round(beforeMs), Math.round(afterMs)], unit: 'ms', budget: usualMs })
    for (const { name: figure, value, unit, budget, atLeast } of pending) {
      const own = !isTimed(unit) ? budget : atLeast ? budget / slower : budget * slower
      const holds = atLeast ? value >= own : Math.abs(value) <= own
      judged++
      if (holds) within++
      write({
        name: figure,
        value: round(value),
        unit,
        budget,
        ...(isTimed(unit) ? { here: round(own) } : {}),
        ...(atLeast ? { atLeast } : {}),
        within: holds,
      })
    }
    pending = []
  }
  return { group, summary: () => `${within} of ${judged} figures within their budget` }
}
