// What goes into the log? What failed and where, and nothing of what somebody entered: no values of statements, no names, no addresses.
import { BaseError } from 'sequelize'

/** As the logger takes it. */
type Plain = { type: string; message: string; stack: string }

/** The code by which the database names a fault. */
const codeOf = (error: Error): string => {
  const original = 'original' in error && error.original instanceof Error ? error.original : error
  return ['code', 'errno'].flatMap((name) => (name in original ? String(Reflect.get(original, name)) : [])).join(' ')
}

/** An error as it is logged. What the database says of one repeats the statement and its values: of those the kind is told, and where they were. */
export function plainError(error: Error): Plain {
  const places = (error.stack ?? '').split('\n').filter((line) => /^\s+at /.test(line))
  const isOfDatabase = error instanceof BaseError || 'sql' in error
  const message = isOfDatabase ? `the database: ${codeOf(error) || error.name}` : error.message.slice(0, 300)
  return { type: error.name, message, stack: [message, ...places].join('\n') }
}

/** Options of the logger. An error that is logged alone would lend its own words to the line. */
export const quietLog = {
  level: 'warn',
  serializers: { err: plainError },
  hooks: {
    logMethod(args: unknown[], method: (...args: unknown[]) => void) {
      const [first, ...rest] = args
      if (first instanceof Error) method.call(this, { err: first }, plainError(first).message)
      else method.call(this, first, ...rest)
    },
  },
}
