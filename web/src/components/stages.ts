// How is said where a unit stands?
import { verdictName } from '@yastik/core/run'
import type { Say } from '@yastik/core/words'
import type { JobCard } from '@yastik/core/wire'

export function stageWords({ stage, done, steps, verdict }: JobCard['units'][number], say: Say): string {
  switch (stage) {
    case 'look-over':
      return 'to be looked over'
    case 'method':
      return 'looked over; method to be agreed'
    case 'at-the-unit':
      return `at the unit, step ${done + 1} of ${steps}`
    case 'proof':
      return 'work done; to be proved'
    case 'handed-over':
      return `handed over, ${verdict ? say(verdictName(verdict)) : ''}`
  }
}
