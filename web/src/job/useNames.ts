// What is called how on the open job: people, units, products, and the steps of a unit.
import { useJob } from '../stores/job.ts'
import { visitId } from '@yastik/core/procedure'
import { t } from '../words/words.ts'
import type { Sentence } from '@yastik/core/words'

export interface Names {
  personName(id: number): string
  unitName(id: string): string
  productName(id: string): string
  /** Title of a step of the unit. */
  titleOf(stepId: string): Sentence
  /** What a step's gate asks for. */
  gateOf(stepId: string): Sentence
}

/** @param unitId whose steps are spoken of */
export function useNames(unitId: () => string = () => ''): Names {
  const job = useJob()
  const step = (id: string) => job.stateFor(unitId()).steps?.find((own) => own.id === id)
  return {
    personName: (id) => job.record?.people.find((person) => person.id === id)?.name ?? '',
    unitName: (id) => (id === visitId ? t('screen.work.visit') : (job.unitFor(id)?.name ?? id)),
    productName: (id) => job.record?.products.find((product) => product.id === id)?.name ?? id,
    titleOf: (stepId) => step(stepId)?.title ?? stepId,
    gateOf: (stepId) => step(stepId)?.gate ?? stepId,
  }
}
