// What does the environment name as the other side of an interface? Loaded by its name, so that the server knows none of them.

/** The default export of a module. @throws Error where there is no such module, or it lacks one of the methods. */
async function loaded(variable: string, name: string): Promise<unknown> {
  const module = (await import(name).catch((error: unknown) => {
    throw new Error(`${variable} names ${name}, which cannot be loaded: ${error instanceof Error ? error.message : String(error)}`)
  })) as { readonly default?: unknown }
  return module.default
}

/**
 * What fills an interface of the server.
 * @param methods all that the interface asks for
 * @returns undefined where nothing is named
 */
export async function adapterOf<Interface extends object>(
  variable: string,
  name: string | undefined,
  methods: readonly (keyof Interface & string)[],
): Promise<Interface | undefined> {
  if (name === undefined) return undefined
  const own = await loaded(variable, name)
  const fills = (candidate: unknown): candidate is Interface =>
    candidate !== null && typeof candidate === 'object' && methods.every((method) => typeof Reflect.get(candidate, method) === 'function')
  if (!fills(own)) throw new Error(`${variable} names ${name}, whose default export lacks one of: ${methods.join(', ')}`)
  return own
}

/** A function that a module is for. @returns undefined where nothing is named */
export async function functionOf<Args extends unknown[]>(
  variable: string,
  name: string | undefined,
): Promise<((...args: Args) => Promise<unknown>) | undefined> {
  if (name === undefined) return undefined
  const own = await loaded(variable, name)
  if (typeof own !== 'function') throw new Error(`${variable} names ${name}, whose default export is no function`)
  return own as (...args: Args) => Promise<unknown>
}
