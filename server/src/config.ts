// Where does the server listen, and where is its database? Everything comes from the environment.
export interface Config {
  readonly port: number
  readonly host: string
  readonly database: { readonly host: string; readonly port: number; readonly user: string; readonly password: string; readonly name: string }
  /** Folder of the built interface; undefined serves the API alone. */
  readonly webRoot?: string
  readonly demo: boolean
  readonly secureCookies: boolean
  /** Whether a proxy in front names the caller; without one, callers could name themselves. */
  readonly trustProxy: boolean
}

/** @throws Error naming the variable that is missing or no number. */
export function configFrom(env: NodeJS.ProcessEnv): Config {
  const need = (name: string): string => {
    const value = env[name]
    if (!value) throw new Error(`the environment variable ${name} is missing`)
    return value
  }
  const port = (name: string): number => {
    const value = Number(need(name))
    if (!Number.isInteger(value) || value < 0 || value > 65_535) throw new Error(`${name} is ${env[name]}; allowed: a port from 0 to 65535`)
    return value
  }
  return {
    port: port('YASTIK_PORT'),
    host: env.YASTIK_HOST ?? '127.0.0.1',
    database: {
      host: env.YASTIK_DB_HOST ?? '127.0.0.1',
      port: port('YASTIK_DB_PORT'),
      user: need('YASTIK_DB_USER'),
      password: need('YASTIK_DB_PASSWORD'),
      name: need('YASTIK_DB_NAME'),
    },
    webRoot: env.YASTIK_WEB_ROOT,
    demo: env.YASTIK_DEMO === '1',
    secureCookies: env.YASTIK_SECURE_COOKIES === '1',
    trustProxy: env.YASTIK_TRUST_PROXY === '1',
  }
}
