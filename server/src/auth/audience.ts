// Who may call a route? Every route says it; one that does not keeps the server from starting.
import type { FastifyInstance, RouteOptions } from 'fastify'

/** Anyone at all; people of a firm who are signed in; owners among them. */
export type Audience = 'anyone' | 'people' | 'owner'

declare module 'fastify' {
  interface FastifyContextConfig {
    audience?: Audience
  }
}

/** Options of a route. */
export const anyone = { config: { audience: 'anyone' } } as const
export const people = { config: { audience: 'people' } } as const
export const owner = { config: { audience: 'owner' } } as const

export interface Endpoint {
  readonly method: string
  /** As it is declared, with `:names`. */
  readonly url: string
  readonly audience: Audience
}

/**
 * The endpoints of an app as they are declared from now on. The app does not become ready while one of them lacks its audience.
 * @returns what is declared so far
 */
export function endpointsOf(app: FastifyInstance): () => Endpoint[] {
  const routes: RouteOptions[] = []
  app.addHook('onRoute', (route) => void routes.push(route))
  const declared = () => routes.flatMap(({ method, url, config }) => [method].flat().map((own) => ({ method: own, url, audience: config?.audience })))
  app.addHook('onReady', (done) => {
    const undeclared = declared().filter(({ audience }) => audience === undefined)
    done(
      undeclared.length > 0
        ? new Error(`no audience is declared for ${undeclared.map(({ method, url }) => `${method} ${url}`).join(', ')}`)
        : undefined,
    )
  })
  return () => declared().flatMap(({ audience, ...route }) => (audience ? [{ ...route, audience }] : []))
}

/** Whatever a plugin declares is for anyone: pages and their files. */
export const forAnyone = (app: FastifyInstance): void => {
  app.addHook('onRoute', (route) => {
    route.config = { ...route.config, audience: 'anyone' }
  })
}
