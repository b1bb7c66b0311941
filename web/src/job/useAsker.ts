// Who asks what is next: the person at this screen, with the training of the crew of this visit, where they belong to it.
import type { Asker } from '@yastik/core/run'
import { computed, type ComputedRef } from 'vue'
import { useJob } from '../stores/job.ts'
import { useSession } from '../stores/session.ts'

export function useAsker(): ComputedRef<Asker> {
  const job = useJob()
  const session = useSession()
  return computed(() => {
    const trained = job.record?.crew.find(({ id }) => id === session.me?.id)?.trained
    return { ...(session.me ? { id: session.me.id } : {}), ...(trained ? { trained } : {}) }
  })
}
