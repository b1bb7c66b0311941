// Where does the server listen, and where is its database? Everything comes from the environment.
import { isIP } from 'node:net'
import { logKinds, type LogKind } from './http/log.ts'

export interface Config {
  readonly port: number
  readonly host: string
  readonly database: {
    readonly host: string
    readonly port: number
    readonly user: string
    readonly password: string
    readonly name: string
    /** Whether the way there is TLS, and whose word it is that the other end is the right one: a file of certificates, else the system’s. */
    readonly tls?: { readonly caFile?: string }
  }
  /** Where files lie, for several app processes alike: a folder, or `s3://bucket/prefix` at the endpoint, where the store has one of its own. */
  readonly files: { readonly place: string; readonly endpoint?: string }
  /** Folders on the disks that files and database lie on: where one is full, nothing new is taken. */
  readonly disks: readonly string[]
  /** Folder of the built interface; undefined serves the API alone. */
  readonly webRoot?: string
  /** Modules by name: what loads a demo into an empty database, and what fills the interfaces to instruments, a carrier of messages, and a weather service. */
  readonly modules: Readonly<Record<'demo' | 'instruments' | 'messages' | 'weather', string | undefined>>
  readonly secureCookies: boolean
  /** Proxies in front that name the caller: how many, or their addresses; without one, callers could name themselves. */
  readonly trustProxy: false | number | string[]
  /** What is logged: every answer, or what failed alone. */
  readonly log: LogKind
  /** What whoever gathers figures under `/metrics` has to bring; without it there are none. */
  readonly metricsToken?: string
  /** How long answers under way are waited for when the process is told to end, ms; undefined for the usual. */
  readonly graceMs?: number
}

function need(env: NodeJS.ProcessEnv, name: string): string {
  const value = env[name]
  if (!value) throw new Error(`the environment variable ${name} is missing`)
  return value
}

function portOf(env: NodeJS.ProcessEnv, name: string): number {
  const value = Number(need(env, name))
  if (!Number.isInteger(value) || value < 0 || value > 65_535) throw new Error(`${name} is ${env[name]}; allowed: a port from 0 to 65535`)
  return value
}

/** `1`, or the path of a file of certificates. */
const tlsOf = (text = ''): Pick<Config['database'], 'tls'> => (text === '' || text === '0' ? {} : { tls: text === '1' ? {} : { caFile: text } })

/** The app's account: it reads and writes rows. @throws Error naming the variable that is missing or no number. */
export const databaseFrom = (env: NodeJS.ProcessEnv): Config['database'] => ({
  host: env.YASTIK_DB_HOST ?? '127.0.0.1',
  port: portOf(env, 'YASTIK_DB_PORT'),
  user: need(env, 'YASTIK_DB_USER'),
  password: need(env, 'YASTIK_DB_PASSWORD'),
  name: need(env, 'YASTIK_DB_NAME'),
  ...tlsOf(env.YASTIK_DB_TLS),
})

/** Nothing, or `none`, for no module. */
const moduleOf = (text = ''): string | undefined => (text === '' || text === 'none' ? undefined : text)

/** The account that makes and changes tables, for migrations; the app's own where no other is named. @throws Error naming the variable that is missing */
export function ownerFrom(env: NodeJS.ProcessEnv): Config['database'] {
  const app = databaseFrom(env)
  return env.YASTIK_DB_OWNER ? { ...app, user: env.YASTIK_DB_OWNER, password: need(env, 'YASTIK_DB_OWNER_PASSWORD') } : app
}

function logOf(text: string | undefined): LogKind {
  const kind = logKinds.find((own) => own === (text ?? 'access'))
  if (!kind) throw new Error(`YASTIK_LOG is ${text}; allowed: ${logKinds.join(' or ')}`)
  return kind
}

const leastToken = 16
function tokenOf(text: string): string {
  if (text.length < leastToken) throw new Error(`YASTIK_METRICS_TOKEN has ${text.length} characters; allowed: ${leastToken} or more`)
  return text
}

function secondsOf(text: string): number {
  const value = Number(text)
  if (!/^\d+$/.test(text) || value > 600) throw new Error(`YASTIK_GRACE_S is ${text}; allowed: whole seconds from 0 to 600`)
  return value
}

/** `2`, or `10.0.0.7, 10.1.0.0/16`. @throws Error where it is neither a number nor addresses. */
function proxiesOf(text = ''): Config['trustProxy'] {
  if (text === '' || text === '0') return false
  if (/^\d{1,2}$/.test(text)) return Number(text)
  const addresses = text.split(',').map((address) => address.trim())
  const isAddress = (address: string) => {
    const [ip, bits, ...more] = address.split('/')
    const most = isIP(ip) === 6 ? 128 : 32
    return isIP(ip) !== 0 && more.length === 0 && (bits === undefined || (/^\d{1,3}$/.test(bits) && Number(bits) <= most))
  }
  if (!addresses.every(isAddress))
    throw new Error(`YASTIK_TRUST_PROXY is ${text}; allowed: the number of proxies in front, or their addresses with commas between`)
  return addresses
}

/** Folders with colons between; the folder of the files without them, where they lie in one. */
const disksOf = ({ YASTIK_DISKS: named, YASTIK_FILES: files = '' }: NodeJS.ProcessEnv): string[] =>
  named === undefined ? (files.startsWith('s3:') ? [] : [files]) : named.split(':').filter(Boolean)

/** @throws Error naming the variable that is missing or no number. */
export function configFrom(env: NodeJS.ProcessEnv): Config {
  return {
    port: portOf(env, 'YASTIK_PORT'),
    host: env.YASTIK_HOST ?? '127.0.0.1',
    database: databaseFrom(env),
    files: { place: need(env, 'YASTIK_FILES'), ...(env.YASTIK_S3_ENDPOINT ? { endpoint: env.YASTIK_S3_ENDPOINT } : {}) },
    disks: disksOf(env),
    webRoot: env.YASTIK_WEB_ROOT,
    modules: {
      demo: moduleOf(env.YASTIK_DEMO),
      instruments: moduleOf(env.YASTIK_INSTRUMENTS),
      messages: moduleOf(env.YASTIK_MESSAGES),
      weather: moduleOf(env.YASTIK_WEATHER),
    },
    log: logOf(env.YASTIK_LOG),
    ...(env.YASTIK_METRICS_TOKEN ? { metricsToken: tokenOf(env.YASTIK_METRICS_TOKEN) } : {}),
    secureCookies: env.YASTIK_SECURE_COOKIES === '1',
    trustProxy: proxiesOf(env.YASTIK_TRUST_PROXY),
    ...(env.YASTIK_GRACE_S === undefined ? {} : { graceMs: 1000 * secondsOf(env.YASTIK_GRACE_S) }),
  }
}
