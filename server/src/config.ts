// Where does the server listen, and where is its database? Everything comes from the environment.
export interface Config {
  readonly port: number
  readonly host: string
  readonly database: { readonly host: string; readonly port: number; readonly user: string; readonly password: string; readonly name: string }
  /** Folder of the files; several app processes share it. */
  readonly filesRoot: string
  /** Folder of the built interface; undefined serves the API alone. */
  readonly webRoot?: string
  readonly demo: boolean
  /** Whether stand-ins take the place of instruments. */
  readonly simulatedInstruments: boolean
  /** Whether a stand-in takes the place of the message gateway, and of the weather service. */
  readonly simulatedMessages: boolean
  readonly simulatedWeather: boolean
  readonly secureCookies: boolean
  /** Whether a proxy in front names the caller; without one, callers could name themselves. */
  readonly trustProxy: boolean
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

/** @throws Error naming the variable that is missing or no number. */
export const databaseFrom = (env: NodeJS.ProcessEnv): Config['database'] => ({
  host: env.YASTIK_DB_HOST ?? '127.0.0.1',
  port: portOf(env, 'YASTIK_DB_PORT'),
  user: need(env, 'YASTIK_DB_USER'),
  password: need(env, 'YASTIK_DB_PASSWORD'),
  name: need(env, 'YASTIK_DB_NAME'),
})

/** @throws Error naming the variable that is missing or no number. */
export function configFrom(env: NodeJS.ProcessEnv): Config {
  return {
    port: portOf(env, 'YASTIK_PORT'),
    host: env.YASTIK_HOST ?? '127.0.0.1',
    database: databaseFrom(env),
    filesRoot: need(env, 'YASTIK_FILES'),
    webRoot: env.YASTIK_WEB_ROOT,
    demo: env.YASTIK_DEMO === '1',
    simulatedInstruments: env.YASTIK_INSTRUMENTS === 'simulated',
    simulatedMessages: env.YASTIK_MESSAGES === 'simulated',
    simulatedWeather: env.YASTIK_WEATHER === 'simulated',
    secureCookies: env.YASTIK_SECURE_COOKIES === '1',
    trustProxy: env.YASTIK_TRUST_PROXY === '1',
  }
}
