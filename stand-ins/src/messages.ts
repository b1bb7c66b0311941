// A gateway that carries nothing anywhere. It keeps no state: a reference says when a message was taken over and what will become of it.
import { GatewayRefusal, type MessageGateway } from '@yastik/server/messages/gateway'

const deliveredAfterMs = 3000
const answeredAfterMs = 6000
const awayForMs = 15_000

interface Fate {
  readonly refused?: string
  readonly away?: true
  readonly failed?: string
  readonly answer?: string
}
/** What happens to a message follows from the last digit of its address, so that everything can be seen to happen. */
const fates: Readonly<Record<string, Fate>> = {
  '0': { refused: 'nobody has this address' },
  '1': { away: true },
  '2': { failed: 'it could not be delivered for a day' },
  '3': { answer: 'STOP' },
  '4': { answer: 'Yes please, mornings are best.' },
}
const fateOf = (digit: string): Fate => fates[digit] ?? {}
const digitOf = (to: string) => to.replace(/\D/g, '').at(-1) ?? ''

const gateway: MessageGateway = {
  async send({ id, to }, nowMs) {
    const fate = fateOf(digitOf(to))
    if (fate.refused) throw new GatewayRefusal(fate.refused)
    // The first bits of an id are the moment at which it was made.
    const madeMs = Number.parseInt(id.replaceAll('-', '').slice(0, 12), 16)
    if (fate.away && nowMs < madeMs + awayForMs) throw new Error('the message gateway does not answer')
    return { ref: [nowMs.toString(36), digitOf(to) || '-', id].join('.') }
  },
  async ask(refs, nowMs) {
    const known = refs.map((ref) => {
      const [sent, digit] = ref.split('.')
      return { ref, sentMs: Number.parseInt(sent, 36), fate: fateOf(digit) }
    })
    return {
      reports: known
        .filter(({ sentMs }) => nowMs >= sentMs + deliveredAfterMs)
        .map(({ ref, fate }) => (fate.failed ? { ref, state: 'failed', because: fate.failed } : { ref, state: 'delivered' })),
      answers: known.flatMap(({ ref, sentMs, fate }) =>
        fate.answer && nowMs >= sentMs + answeredAfterMs ? [{ id: `answer.${ref}`, ref, text: fate.answer, atMs: sentMs + answeredAfterMs }] : [],
      ),
    }
  },
}
export default gateway
