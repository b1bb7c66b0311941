// What may take long is done beside the loop that answers everybody: in a thread of its own, with a limit of time and of memory.
import { MessageChannel, receiveMessageOnPort, type MessagePort, type Transferable } from 'node:worker_threads'
import { Fault, type FaultCode, type FaultLine } from '@yastik/core/faults'
import type { Sentence } from '@yastik/core/words'
import { Piscina } from 'piscina'

/** So many threads a process has at a time, whatever they do: each holds what its scripts load, tens of MB. */
const mostThreads = 2
/** More memory a thread does not get, MB. */
const heapMb = 320
/** So long a thread waits for more before it ends, ms: loading what it needs takes longer than most of its work. */
const idleMs = 30_000

/** What a thread says: what it found, or the fault that it threw. */
export type ThreadAnswer<Result> =
  { readonly result: Result } | { readonly fault: { readonly code: FaultCode; readonly sentence: Sentence; readonly lines: readonly FaultLine[] } }

/** Threads run what was built, in tests as well, where everything else is run as it is written. */
const builtAt = (script: URL): string => script.href.replace('/server/src/', '/server/dist/')

/** What a thread was asked, and how it says how far it is. */
export interface Asked<Given> {
  readonly given: Given
  readonly progress: MessagePort
}

let pool: Piscina | undefined
const open = () =>
  new Piscina({
    minThreads: 0,
    maxThreads: mostThreads,
    idleTimeout: idleMs,
    resourceLimits: { maxOldGenerationSizeMb: heapMb, maxYoungGenerationSizeMb: 32 },
    // What the process was started with, such as the loader of a test, is no concern of a thread.
    execArgv: [],
    env: {},
  })

/**
 * What runs a script in a thread, and hands over what it answers.
 * @param script of this package, next to whoever asks, by its built name
 * @param mostMs longer it does not work at one thing
 * @throws the fault that the thread threw; `too-large` where it took more time or memory than it may; Error where it failed
 */
export function threadOf<Given, Result, Progress = never>(script: URL, mostMs: number) {
  return async (given: Given, transfer: readonly Transferable[] = [], hear?: (progress: Progress) => void): Promise<Result> => {
    const { port1, port2 } = new MessageChannel()
    port1.on('message', (progress: Progress) => hear?.(progress))
    try {
      const answer = (await (pool ??= open()).run(
        { given, progress: port2 },
        {
          filename: builtAt(script),
          transferList: [port2, ...transfer],
          signal: AbortSignal.timeout(mostMs),
        },
      )) as ThreadAnswer<Result>
      // The answer comes another way than the news of how far it is: what was told before it is heard before it.
      for (let late = receiveMessageOnPort(port1); late; late = receiveMessageOnPort(port1)) hear?.(late.message as Progress)
      if ('result' in answer) return answer.result
      throw new Fault(answer.fault.code, answer.fault)
    } catch (error) {
      const isBeyond = error instanceof Error && (error.name === 'AbortError' || ('code' in error && error.code === 'ERR_WORKER_OUT_OF_MEMORY'))
      throw isBeyond ? new Fault('too-large') : error
    } finally {
      port1.close()
    }
  }
}
