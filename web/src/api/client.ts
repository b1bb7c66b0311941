// How does the interface ask the server? One function; faults come back as what the server says.
import { Fault, faultCatalogue, type FaultBody, type FaultCode } from '@yastik/core'

/** Thrown when nobody answers: no signal, or the server is down. */
export class NoAnswer extends Error {
  constructor() {
    super('The server does not answer. What you enter stays on this device and is sent later.')
    this.name = 'NoAnswer'
  }
}

/** Whether nothing was judged: nobody answered, or what answered could not work just now. What was asked may be asked again. */
export const isNoJudgement = (error: unknown): boolean => error instanceof NoAnswer || (error instanceof Fault && error.status >= 500)

const isFaultBody = (body: unknown): body is FaultBody =>
  body !== null && typeof body === 'object' && 'code' in body && 'sentence' in body && 'lines' in body

/** Files go as they are, everything else as JSON. */
function asSent(body: unknown): RequestInit {
  if (body === undefined) return {}
  if (body instanceof Blob) return { headers: { 'content-type': body.type || 'application/octet-stream' }, body }
  return { headers: { 'content-type': 'application/json' }, body: JSON.stringify(body) }
}

/** @throws Fault as the server says it; NoAnswer without a connection. */
export async function ask<Answer>(method: 'GET' | 'POST' | 'PUT' | 'DELETE', path: string, body?: unknown): Promise<Answer> {
  const response = await fetch(path, {
    method,
    credentials: 'same-origin',
    ...asSent(body),
  }).catch(() => {
    throw new NoAnswer()
  })
  if (response.status === 204) return undefined as Answer
  if (response.ok && response.headers.get('content-type')?.startsWith('image/')) return (await response.blob()) as Answer
  const answer: unknown = await response.json().catch(() => undefined)
  if (response.ok) return answer as Answer
  if (isFaultBody(answer))
    throw new Fault(answer.code in faultCatalogue ? (answer.code as FaultCode) : 'internal', { sentence: answer.sentence, lines: answer.lines })
  throw new Fault('internal')
}
