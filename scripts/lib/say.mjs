// Progress that a person reads while things install and build.
export const say = (sentence) => console.log(`· ${sentence}`)

/** Ends the launcher with a sentence and a status. */
export function giveUp(sentence, status = 1) {
  console.error(`\n${sentence}\n`)
  process.exit(status)
}
