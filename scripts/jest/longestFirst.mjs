// Which test file comes first? Those that take longest, so that no worker is left with one of them at the end while the others have nothing to do. How
// long a file took last time is known only where it ran before: in a fresh clone these few are named.
import Sequencer from '@jest/test-sequencer'

const long = ['everyone', 'languages', 'commands', 'families', 'report', 'extras-and-waits', 'tray', 'transfer/bundle', 'auth/auth', 'people/people']
const rankOf = ({ path }) => {
  const at = long.findIndex((name) => path.endsWith(`/${name}.test.ts`))
  return at < 0 ? long.length : at
}

export default class LongestFirst extends Sequencer {
  sort(tests) {
    const usual = super.sort(tests)
    return usual.sort((one, other) => rankOf(one) - rankOf(other))
  }
}
