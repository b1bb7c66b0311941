// What was a command asked for? `--help`, and words that it does not know, are answered before anything begins.
import { parseArgs } from 'node:util'
import { giveUp } from './say.mjs'

/**
 * Reads the words of a command.
 * @param {{ usage: string, about: string, options?: import('node:util').ParseArgsOptionsConfig, positionals?: number[] }} command how it is called,
 *   what it does in a sentence, its options, and how many words there may be besides (none without it)
 * @returns {{ values: Record<string, any>, positionals: string[], wrong: (sentence: string) => never }} `wrong` ends the command over a value, with status 2
 */
export function readArguments({ usage, about, options = {}, positionals = [0] }) {
  const wrong = (sentence) => giveUp(`${sentence}\n${usage}`, 2)
  const words = process.argv.slice(2)
  if (words.includes('--help') || words.includes('-h')) {
    console.log(`${usage}\n\n${about}`)
    process.exit(0)
  }
  try {
    const read = parseArgs({ args: words, options, allowPositionals: !(positionals.length === 1 && positionals[0] === 0) })
    if (!positionals.includes(read.positionals.length)) wrong(`There are ${read.positionals.length} words besides the options.`)
    return { ...read, wrong }
  } catch (error) {
    return wrong(error.message)
  }
}

/** A value that is a whole number. */
export function wholeNumber({ values, wrong }, name, least = 0, most = 1_000_000_000) {
  const value = Number(values[name])
  if (!/^\d+$/.test(values[name]) || value < least || value > most)
    wrong(`--${name} ${values[name]}: allowed is a whole number from ${least} to ${most}.`)
  return value
}
