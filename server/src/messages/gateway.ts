// Who carries messages to customers? One interface, which the adapter of a carrier fills.
export interface Outgoing {
  /** The gateway takes an id over once: sent again, it answers as before. */
  readonly id: string
  readonly channel: 'text' | 'mail'
  readonly to: string
  readonly body: string
}
export interface Report {
  readonly ref: string
  readonly state: 'delivered' | 'failed'
  readonly because?: string
}
export interface Answer {
  readonly id: string
  /** Of the message that it answers. */
  readonly ref: string
  readonly text: string
  readonly atMs: number
}
export interface MessageGateway {
  /** Takes a message over. @throws GatewayRefusal: it never will; any other error: not now. */
  send(message: Outgoing, nowMs: number): Promise<{ ref: string }>
  /** What became of messages that it took over, and what was answered. */
  ask(refs: readonly string[], nowMs: number): Promise<{ reports: Report[]; answers: Answer[] }>
}
/** The gateway will never take this message. */
export class GatewayRefusal extends Error {
  override readonly name = 'GatewayRefusal'
}
