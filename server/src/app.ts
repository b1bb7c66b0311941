// The server as a whole: plugins, guards, one feature per folder.
import { says } from '@yastik/core/words'
import compress from '@fastify/compress'
import cookie from '@fastify/cookie'
import staticFiles from '@fastify/static'
import { Fault } from '@yastik/core/faults'
import { isPage } from '@yastik/core/wire'
import fastify, { LogController, type FastifyInstance, type FastifyRequest } from 'fastify'
import { serializerCompiler } from 'fastify-type-provider-zod'
import type { Sequelize } from 'sequelize'
import { auditRoutes } from './audit/routes.ts'
import { calendarRoutes } from './calendars/routes.ts'
import { authRoutes } from './auth/routes.ts'
import type { Config } from './config.ts'
import { customerRoutes } from './customers/routes.ts'
import { Db } from './db/database.ts'
import { eventRoutes } from './events/routes.ts'
import { endpointsOf, forAnyone, type Declared } from './http/audience.ts'
import { closeInGoodTime, usualGraceMs } from './http/closing.ts'
import { readWithinBudget } from './http/budget.ts'
import { handleErrors } from './http/errors.ts'
import { guard } from './http/guard.ts'
import { sendHeaders } from './http/headers.ts'
import { describeRoutes } from './http/openapi.ts'
import { logAnswers, quietLog, requestId, type LogKind } from './http/log.ts'
import { readByTable, writePlainly } from './http/serve.ts'
import { endSlowSenders, serverTimes, usualPatience, type Patience } from './http/slowSenders.ts'
import { endStreamsWith } from './http/streams.ts'
import { houseRulesRoutes } from './houseRules/routes.ts'
import { instrumentRoutes } from './instruments/routes.ts'
import type { InstrumentSource } from './instruments/source.ts'
import { jobRoutes } from './jobs/routes.ts'
import type { FileStore } from './files/store.ts'
import { logbookRoutes } from './logbook/routes.ts'
import type { MessageGateway } from './messages/gateway.ts'
import { messageRoutes } from './messages/routes.ts'
import { peopleRoutes } from './people/routes.ts'
import { photoRoutes } from './photos/routes.ts'
import { watchDisks, type HasRoom } from './running/room.ts'
import { runningRoutes } from './running/routes.ts'
import { quoteRoutes } from './quotes/routes.ts'
import { findRoutes } from './find/routes.ts'
import { siteRoutes } from './sites/routes.ts'
import { stockRoutes } from './stock/routes.ts'
import { storesRoutes } from './stores/routes.ts'
import { tokenRoutes } from './tokens/routes.ts'
import { transferRoutes } from './transfer/routes.ts'
import { upkeepRoutes } from './upkeep/routes.ts'
import type { WeatherSource } from './weather/source.ts'

declare module 'fastify' {
  interface FastifyInstance {
    /** All endpoints, as they are declared. */
    endpoints(): Declared[]
  }
}

export interface AppOptions {
  readonly sequelize: Sequelize
  /** Where pictures are kept. */
  readonly files: FileStore
  /** Who carries messages to customers; without it none is sent. */
  readonly gateway?: MessageGateway
  /** Where forecasts of the weather come from; without it the due list says nothing of it. */
  readonly weather?: WeatherSource
  /** Where readings come from; without it they are entered by hand. */
  readonly instruments?: InstrumentSource
  /** Whether there is room to keep what is sent; always without it. */
  readonly hasRoom?: HasRoom
  readonly webRoot?: string
  readonly secureCookies?: boolean
  /** Proxies in front that name the caller: how many, or their addresses. */
  readonly trustProxy?: Config['trustProxy']
  /** What is logged; nothing without it. */
  readonly log?: LogKind
  /** What whoever gathers figures has to bring; without it there are none. */
  readonly metricsToken?: string
  /** Where the log goes; to standard output without it. */
  readonly logTo?: { write(line: string): void }
  /** Whether answers are held against the table before they leave, as tests do. */
  readonly answers?: 'plain' | 'checked'
  /** How long whoever sends may take. */
  readonly patience?: Patience
  /** How long answers under way are waited for when the app is closed, ms. */
  readonly graceMs?: number
}

/** Largest body that is taken where an endpoint says nothing else, bytes. */
const bodyLimit = 100_000

function nothingHere({ url }: FastifyRequest): never {
  throw new Fault('not-there', {
    lines: [{ where: url.slice(0, 200), what: says('fault.call.nothing-here'), allowed: says('fault.call.nothing-here-allowed') }],
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
  app.setNotFoundHandler((request, reply) => {
    const [path] = request.url.split('?')
    const isReading = request.method === 'GET' || request.method === 'HEAD'
    if (!isReading || path.startsWith('/api/') || path.includes('.')) return nothingHere(request)
    // At an address that is none of its own the interface says so, and so does the status.
    return reply.status(isPage(path) ? 200 : 404).sendFile('index.html')
  })
}

export async function buildApp({
  sequelize,
  files,
  gateway,
  weather,
  instruments,
  hasRoom = watchDisks([]),
  webRoot,
  secureCookies = false,
  trustProxy = false,
  log,
  metricsToken,
  logTo,
  answers = 'plain',
  patience = usualPatience,
  graceMs = usualGraceMs,
}: AppOptions): Promise<FastifyInstance> {
  const app = fastify({
    ...serverTimes(patience),
    bodyLimit,
    trustProxy: typeof trustProxy === 'number' ? (_address, hop) => hop < trustProxy : trustProxy,
    logger: log ? { ...quietLog(log), ...(logTo ? { stream: logTo } : {}) } : false,
    logController: new LogController({ disableRequestLogging: true }),
    requestIdHeader: false,
    genReqId: requestId,
  })
  handleErrors(app)
  logAnswers(app)
  readWithinBudget(app)
  app.setValidatorCompiler(readByTable)
  app.setSerializerCompiler(answers === 'checked' ? serializerCompiler : writePlainly)
  await app.register(compress)
  await app.register(cookie)
  sendHeaders(app, secureCookies)
  app.decorate('endpoints', endpointsOf(app))
  await describeRoutes(app, secureCookies)
  const db = new Db(sequelize)
  guard(app, db, secureCookies, hasRoom)
  endSlowSenders(app, patience)
  endStreamsWith(app)
  closeInGoodTime(app, graceMs)
  const canSend = gateway !== undefined
  await app.register(runningRoutes(app, db, sequelize, files, metricsToken))
  for (const routes of [
    authRoutes(db, secureCookies, instruments !== undefined),
    peopleRoutes(db),
    tokenRoutes(db),
    auditRoutes(db),
    siteRoutes(db),
    findRoutes(db),
    customerRoutes(db, files),
    jobRoutes(db),
    eventRoutes(db),
    quoteRoutes(db, canSend),
    messageRoutes(db, weather, canSend),
    instrumentRoutes(db, instruments),
    photoRoutes(db, files),
    transferRoutes(db, files),
    calendarRoutes(db),
    logbookRoutes(db),
    upkeepRoutes(db, weather),
    houseRulesRoutes(db),
    storesRoutes(db),
    stockRoutes(db),
  ])
    await app.register(routes)
  if (webRoot) await app.register(pages(webRoot))
  else app.setNotFoundHandler(nothingHere)
  return app
}
