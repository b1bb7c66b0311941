// The other end of a thread: how its script answers.
import { Fault } from '@yastik/core/faults'
import { asFault } from '../http/errors.ts'
import type { Asked, ThreadAnswer } from './inThread.ts'

/** Makes a script of a thread: does the work, and hands over what comes of it, or the fault that it throws. */
export const answering =
  <Given, Result>(work: (given: Given, progress: (said: unknown) => void) => Result | Promise<Result>) =>
  async ({ given, progress }: Asked<Given>): Promise<ThreadAnswer<Result>> => {
    try {
      return { result: await work(given, (said) => progress.postMessage(said)) }
    } catch (error) {
      const fault = error instanceof Error ? asFault(error) : new Fault('internal')
      if (fault.code === 'internal') throw error
      return { fault: { code: fault.code, sentence: fault.sentence, lines: fault.lines } }
    } finally {
      progress.close()
    }
  }
