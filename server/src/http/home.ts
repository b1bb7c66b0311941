// Where is the interface, as whoever asks sees it?
import type { FastifyRequest } from 'fastify'

export const homeOf = ({ protocol, host }: Pick<FastifyRequest, 'protocol' | 'host'>): string => `${protocol}://${host}`
