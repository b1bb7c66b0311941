// How does the interface ask the server? By the table of endpoints: what is sent has its shape, what is answered is held against it, and faults
// come back as what the server says.
import { Fault, linesOf } from '@yastik/core/faults'
import { addressOf, faultFrom, type Answer, type Endpoint, type FaultBody, type Given } from '@yastik/core/wire'
import { says } from '@yastik/core/words'
import { passwordGiven } from './confirm.ts'

/** Thrown when nobody answers: no signal, or the server is down. */
export class NoAnswer extends Error {
  readonly sentence = says('fault.no-answer')

  constructor() {
    super('no-answer')
    this.name = 'NoAnswer'
  }
}

/** Whether nothing was judged: nobody answered, or what answered could not work just now. What was asked may be asked again. */
export const isNoJudgement = (error: unknown): boolean => error instanceof NoAnswer || (error instanceof Fault && error.status >= 500)

const isFaultBody = (body: unknown): body is FaultBody =>
  body !== null && typeof body === 'object' && 'code' in body && 'sentence' in body && 'lines' in body

/** What an endpoint asks for besides its address; nothing where it asks for nothing. */
type Args<Own extends Endpoint> = object extends Given<Own> ? [given?: Given<Own>] : [given: Given<Own>]
interface Parts {
  readonly params?: object
  readonly query?: object
  readonly body?: unknown
}

/** Files go as they are, everything else as JSON. */
function asSent(body: unknown): RequestInit {
  if (body === undefined) return {}
  if (body instanceof Blob) return { headers: { 'content-type': body.type || 'application/octet-stream' }, body }
  return { headers: { 'content-type': 'application/json' }, body: JSON.stringify(body) }
}

/** @throws Fault as the server says it; NoAnswer without a connection. */
async function send(own: Endpoint, { params, query, body }: Parts): Promise<Response> {
  const response = await fetch(addressOf(own, { params, query }), { method: own.method, credentials: 'same-origin', ...asSent(body) }).catch(() => {
    throw new NoAnswer()
  })
  if (response.ok) return response
  const answer: unknown = await response.json().catch(() => undefined)
  const fault = isFaultBody(answer) ? faultFrom(answer) : new Fault('internal')
  // Asked again once the password was given; where it was not, that is what is said.
  if (fault.code === 'confirm-password' && (await passwordGiven())) return send(own, { params, query, body })
  throw fault
}

/** What was answered, held against the table. @throws Fault `other-version` where server and page, or whoever answers in between, do not speak alike */
export function answerOf<Own extends Endpoint>(own: Own, said: unknown): Answer<Own> {
  if (!own.answer) return undefined as Answer<Own>
  const result = own.answer.safeParse(said)
  if (result.success) return result.data as Answer<Own>
  throw new Fault('other-version', { lines: linesOf(result.error.issues, said, own.path).slice(0, 5) })
}

/** Asks an endpoint. @throws Fault as the server says it; NoAnswer without a connection. */
export async function ask<Own extends Endpoint>(own: Own, ...[given]: Args<Own>): Promise<Answer<Own>> {
  const response = await send(own, given ?? {})
  // What answers without a word, as a proxy may, answers nothing that the table knows.
  return answerOf(own, own.answer && (await response.json().catch(() => undefined)))
}

/** Sends a file to an endpoint that takes one. @throws as {@link ask} does */
export async function sendFile<Own extends Endpoint & { takes: readonly string[] }>(own: Own, given: Given<Own>, file: Blob): Promise<Answer<Own>> {
  const response = await send(own, { ...given, body: file })
  return answerOf(own, await response.json().catch(() => undefined))
}

/** Fetches a file from an endpoint that gives one. @throws as {@link ask} does */
export const fetchFile = async <Own extends Endpoint & { gives: readonly string[] }>(own: Own, given: Given<Own>): Promise<Blob> =>
  (await send(own, given)).blob()

/** Asks what takes long and says how far it is, line by line. @throws Fault, also one that comes late; NoAnswer when the lines break off. */
export async function askByLines<Own extends Endpoint>(
  own: Own,
  given: Given<Own>,
  said: (line: Exclude<Answer<Own>, { fault: FaultBody }>) => void,
): Promise<void> {
  const response = await send(own, given)
  if (!response.body) throw new NoAnswer()
  const reader = response.body.pipeThrough(new TextDecoderStream()).getReader()
  let rest = ''
  for (;;) {
    const { value, done } = await reader.read().catch(() => {
      throw new NoAnswer()
    })
    const lines = (rest + (value ?? '')).split('\n')
    rest = lines.pop() ?? ''
    for (const text of lines) {
      const line = answerOf(own, JSON.parse(text))
      if (isLate(line)) throw faultFrom(line.fault)
      said(line as Exclude<Answer<Own>, { fault: FaultBody }>)
    }
    if (done) return
  }
}
const isLate = (line: unknown): line is { fault: FaultBody } =>
  line !== null && typeof line === 'object' && 'fault' in line && isFaultBody(line.fault)
