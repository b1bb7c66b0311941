// What waits on this device goes to the server: of the open job, and of others that were left.
import type { Sentence } from '@yastik/core/words'
import { ref, type Ref } from 'vue'
import { isNoJudgement } from '../api/client.ts'
import { countWaiting, jobsWaiting } from '../offline/outbox.ts'
import { sendAll, type Watcher } from '../offline/send.ts'
import { say, sayError } from '../words/words.ts'

const retryMs = 4000

export interface Sending {
  readonly unsent: Ref<number>
  /** Why the last sending failed, or what the server turned down. */
  readonly trouble: Ref<string>
  send(): Promise<void>
  count(): Promise<void>
}

/** @param who is signed in; nobody sends nothing @param watcherOf what has to be known of a job while its events are sent */
export function useSending(who: () => number | undefined, watcherOf: (jobId: string) => Watcher | undefined): Sending {
  const unsent = ref(0)
  const trouble = ref('')
  let sending = false
  /** Whether something was added while the last of what waited was on its way. */
  let more = false

  async function count(): Promise<void> {
    const me = who()
    unsent.value = me === undefined ? 0 : await countWaiting(me)
  }
  async function send(): Promise<void> {
    const me = who()
    if (me === undefined) return
    more = sending
    if (sending) return
    sending = true
    try {
      const reasons: Sentence[] = []
      for (const jobId of await jobsWaiting(me)) reasons.push(...(await sendAll(jobId, me, watcherOf(jobId))))
      trouble.value = reasons.map(say).join('; ')
    } catch (error) {
      trouble.value = sayError(error)
      more = false
      if (isNoJudgement(error)) setTimeout(() => void send(), retryMs)
    } finally {
      sending = false
      await count()
      if (more) void send()
    }
  }
  addEventListener('online', () => void send())
  document.addEventListener('visibilitychange', () => document.visibilityState === 'visible' && void send())
  return { unsent, trouble, send, count }
}
