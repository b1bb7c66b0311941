// The server as a whole: plugins, guards, one feature per folder.
import compress from '@fastify/compress'
import cookie from '@fastify/cookie'
import staticFiles from '@fastify/static'
import { Fault } from '@yastik/core'
import fastify, { type FastifyInstance, type FastifyRequest } from 'fastify'
import type { Sequelize } from 'sequelize'
import { endpointsOf, forAnyone, people, type Endpoint } from './auth/audience.ts'
import { authRoutes } from './auth/routes.ts'
import { guard } from './auth/guard.ts'
import { closeInGoodTime, usualGraceMs } from './closing.ts'
import type { Config } from './config.ts'
import { handleErrors } from './errors.ts'
import { sendHeaders } from './headers.ts'
import { houseRulesRoutes } from './houseRules/routes.ts'
import { instrumentRoutes } from './instruments/routes.ts'
import type { InstrumentSource } from './instruments/source.ts'
import { jobRoutes } from './jobs/routes.ts'
import { streamRoutes } from './jobs/stream.ts'
import { folderStore } from './files/store.ts'
import { logbookRoutes } from './logbook/routes.ts'
import type { MessageGateway } from './messages/gateway.ts'
import { messageRoutes } from './messages/routes.ts'
import { photoRoutes } from './photos/routes.ts'
import { quoteRoutes } from './quotes/routes.ts'
import { siteRoutes } from './sites/routes.ts'
import { endSlowSenders, serverTimes, usualPatience, type Patience } from './slowSenders.ts'
import { endStreamsWith } from './streams.ts'
import { stockRoutes } from './stock/routes.ts'
import { storesRoutes } from './stores/routes.ts'
import { transferRoutes } from './transfer/routes.ts'
import { upkeepRoutes } from './upkeep/routes.ts'
import type { WeatherSource } from './weather/source.ts'

declare module 'fastify' {
  interface FastifyInstance {
    /** All endpoints, as they are declared. */
    endpoints(): Endpoint[]
  }
}

export interface AppOptions {
  readonly sequelize: Sequelize
  /** Folder of the files: photographs. */
  readonly filesRoot: string
  /** Who carries messages to customers; without it none is sent. */
  readonly gateway?: MessageGateway
  /** Where forecasts of the weather come from; without it the due list says nothing of it. */
  readonly weather?: WeatherSource
  /** Where readings come from; without it they are entered by hand. */
  readonly instruments?: InstrumentSource
  readonly webRoot?: string
  readonly secureCookies?: boolean
  /** Proxies in front that name the caller: how many, or their addresses. */
  readonly trustProxy?: Config['trustProxy']
  readonly log?: boolean
  /** How long whoever sends may take. */
  readonly patience?: Patience
  /** How long answers under way are waited for when the app is closed, ms. */
  readonly graceMs?: number
}

/** Largest body that is taken, bytes. */
const bodyLimit = 4_000_000

function nothingHere({ url }: FastifyRequest): never {
  throw new Fault('not-there', {
    lines: [{ where: url.slice(0, 200), what: 'nothing answers here', allowed: 'the addresses of the application' }],
  })
}

/** The interface, for anyone: it asks for a sign-in by itself. It finds its own way at addresses that no file has. */
const pages = (root: string) => async (app: FastifyInstance) => {
  forAnyone(app)
  await app.register(staticFiles, {
    root,
    cacheControl: false,
    // Built assets change their name with their content; the page that names them is asked for each time.
    setHeaders: (response, path) =>
      void response.setHeader('cache-control', path.includes('/assets/') ? 'public, max-age=31536000, immutable' : 'no-cache'),
  })
  app.setNotFoundHandler((request, reply) =>
    request.method === 'GET' && !request.url.startsWith('/api/') && !request.url.includes('.') ? reply.sendFile('index.html') : nothingHere(request),
  )
}

export async function buildApp({
  sequelize,
  filesRoot,
  gateway,
  weather,
  instruments,
  webRoot,
  secureCookies = false,
  trustProxy = false,
  log = false,
  patience = usualPatience,
  graceMs = usualGraceMs,
}: AppOptions): Promise<FastifyInstance> {
  const app = fastify({
    ...serverTimes(patience),
    bodyLimit,
    trustProxy: typeof trustProxy === 'number' ? (_address, hop) => hop < trustProxy : trustProxy,
    logger: log ? { level: 'warn' } : false,
  })
  handleErrors(app)
  await app.register(compress)
  await app.register(cookie)
  await sendHeaders(app, secureCookies)
  const endpoints = endpointsOf(app)
  app.decorate('endpoints', endpoints)
  guard(app, secureCookies)
  endSlowSenders(app, patience)
  await app.register(authRoutes(sequelize, secureCookies, instruments !== undefined))
  await app.register(siteRoutes(sequelize))
  await app.register(jobRoutes(sequelize))
  await app.register(quoteRoutes(sequelize, gateway !== undefined))
  await app.register(messageRoutes(weather, gateway !== undefined))
  endStreamsWith(app)
  closeInGoodTime(app, graceMs)
  await app.register(streamRoutes)
  await app.register(instrumentRoutes(instruments))
  const files = folderStore(filesRoot)
  await app.register(photoRoutes(files))
  await app.register(transferRoutes(sequelize, files))
  // By which a device finds out how far its own clock is off.
  app.get('/api/clock', people, () => ({ nowMs: Date.now() }))
  await app.register(logbookRoutes())
  await app.register(upkeepRoutes(sequelize, weather))
  await app.register(houseRulesRoutes)
  await app.register(storesRoutes(sequelize))
  await app.register(stockRoutes(sequelize))
  if (webRoot) await app.register(pages(webRoot))
  else app.setNotFoundHandler(nothingHere)
  return app
}
