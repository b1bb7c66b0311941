// Progress that a person reads while things install and build.
export const say = (sentence) => console.log(`· ${sentence}`)

/** Ends the launcher with a sentence and a status. */
export function giveUp(sentence, status = 1) {
  console.error(`\n${sentence}\n`)
  process.exit(status)
}

/** Ends a command with a sentence and a status once everything that was opened for it is closed. */
export class Ending extends Error {
  constructor(sentence, status = 1) {
    super(sentence)
    this.status = status
  }
}
/** Says an Ending as {@link giveUp} does; anything else is thrown on. */
export function sayEnding(error) {
  if (error instanceof Ending) return giveUp(error.message, error.status)
  throw error
}
