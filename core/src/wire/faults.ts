// How does a fault cross the wire? In English words for whoever reads them, and beside them the messages that say the same in any language.
import { z } from 'zod'
import { boundKinds, Fault, isFaultCode, type FaultLine } from '../faults/index.ts'
import { closed } from '../schemas/index.ts'
import { messageSchema, type Message, type Say, type Sentence } from '../words/index.ts'

export const faultBodySchema = closed({
  code: z.string(),
  sentence: z.string(),
  message: messageSchema.optional(),
  lines: z.array(
    closed({
      where: z.string(),
      what: z.string(),
      allowed: z.string(),
      messages: closed({ where: messageSchema.optional(), what: messageSchema.optional(), allowed: messageSchema.optional() }).optional(),
      bound: closed({ is: z.enum(boundKinds), value: z.number() }).optional(),
    }),
  ),
})
export type FaultBody = z.infer<typeof faultBodySchema>

const messageOf = (sentence: Sentence): Message | undefined => (typeof sentence === 'string' ? undefined : sentence)

function lineBody({ where, what, allowed, bound }: FaultLine, say: Say): FaultBody['lines'][number] {
  const messages = { where: messageOf(where), what: messageOf(what), allowed: messageOf(allowed) }
  return { where: say(where), what: say(what), allowed: say(allowed), messages, ...(bound ? { bound } : {}) }
}
/** A fault as it is sent. @param say in English */
export function faultBodyOf({ code, sentence, lines }: Fault, say: Say): FaultBody {
  const message = messageOf(sentence)
  return { code, sentence: say(sentence), ...(message ? { message } : {}), lines: lines.map((line) => lineBody(line, say)) }
}

/** What was sent as a fault again: messages where it has some, words where it has none. What a later version calls otherwise is a failure of theirs. */
export function faultFrom({ code, sentence, message, lines }: FaultBody): Fault {
  return new Fault(isFaultCode(code) ? code : 'internal', {
    sentence: message ?? sentence,
    lines: lines.map(({ messages = {}, bound, ...words }) => ({ ...words, ...messages, ...(bound ? { bound } : {}) })),
  })
}
