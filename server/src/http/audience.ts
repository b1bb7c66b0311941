// Who may call a route? Every route says it; one that does not keeps the server from starting.
import type { Audience, TokenArea } from '@yastik/core/wire'
import type { FastifyInstance, RouteOptions } from 'fastify'

declare module 'fastify' {
  interface FastifyContextConfig {
    audience?: Audience
    /** Whether it is closed to programs that come with a token. */
    onlyPeople?: boolean
    /** Whether people are asked for their password again. */
    asksPassword?: boolean
    /** What programs have to reach for it. */
    area?: TokenArea
    /** Whether owners get in without the second factor that their firm asks of them: what leads to it. */
    withoutFactor?: boolean
  }
}

/** A route as it is declared. */
export interface Declared {
  readonly method: string
  /** As it is declared, with `:names`. */
  readonly url: string
  readonly audience: Audience
}

/**
 * The routes of an app as they are declared from now on. The app does not become ready while one of them lacks its audience.
 * @returns what is declared so far
 */
export function endpointsOf(app: FastifyInstance): () => Declared[] {
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
