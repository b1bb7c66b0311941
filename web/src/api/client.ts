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

const faultOf = ({ code, sentence, lines }: FaultBody): Fault =>
  new Fault(code in faultCatalogue ? (code as FaultCode) : 'internal', { sentence, lines })

type Method = 'GET' | 'POST' | 'PUT' | 'DELETE'
const send = (method: Method, path: string, body?: unknown): Promise<Response> =>
  fetch(path, { method, credentials: 'same-origin', ...asSent(body) }).catch(() => {
    throw new NoAnswer()
  })

async function judged(response: Response): Promise<never> {
  const answer: unknown = await response.json().catch(() => undefined)
  throw isFaultBody(answer) ? faultOf(answer) : new Fault('internal')
}

/** @throws Fault as the server says it; NoAnswer without a connection. */
export async function ask<Answer>(method: Method, path: string, body?: unknown): Promise<Answer> {
  const response = await send(method, path, body)
  if (!response.ok) return judged(response)
  if (response.status === 204) return undefined as Answer
  if (response.headers.get('content-type')?.startsWith('image/')) return (await response.blob()) as Answer
  // What answers without a word, as a proxy may, answers nothing.
  return (await response.json().catch(() => undefined)) as Answer
}

/** Asks what takes long and says how far it is, line by line. @throws Fault, also one that comes late; NoAnswer when the lines break off. */
export async function askByLines<Line extends object>(
  path: string,
  body: unknown,
  said: (line: Exclude<Line, { fault: FaultBody }>) => void,
): Promise<void> {
  const response = await send('POST', path, body)
  if (!response.ok || !response.body) return judged(response)
  const reader = response.body.pipeThrough(new TextDecoderStream()).getReader()
  let rest = ''
  for (;;) {
    const { value, done } = await reader.read().catch(() => {
      throw new NoAnswer()
    })
    const lines = (rest + (value ?? '')).split('\n')
    rest = lines.pop() ?? ''
    for (const text of lines) {
      const line = JSON.parse(text) as Line
      if ('fault' in line && isFaultBody(line.fault)) throw faultOf(line.fault)
      said(line as Exclude<Line, { fault: FaultBody }>)
    }
    if (done) return
  }
}
