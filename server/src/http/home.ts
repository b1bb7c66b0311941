// Where is the interface, as whoever asks sees it?
import type { FastifyRequest } from 'fastify'

/** By `Host` alone, which the proxy passes on: another name for it (`X-Forwarded-Host`) anybody could bring, and no proxy of ours sets it. */
export const homeOf = ({ protocol, headers }: Pick<FastifyRequest, 'protocol' | 'headers'>): string => `${protocol}://${headers.host ?? ''}`
