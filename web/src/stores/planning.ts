// What the core makes of the open job. Apart from the log, so that who only sends and shows does not carry what plans.
import { defineStore, storeToRefs } from 'pinia'
import { usePlans } from '../job/usePlans.ts'
import { useJob } from './job.ts'

export const usePlanning = defineStore('planning', () => {
  const job = useJob()
  const { record, events, lists } = storeToRefs(job)
  return usePlans({ record, events, lists, stateFor: job.stateFor, unitFor: job.unitFor })
})
