// The crew's day is computed here, so that the screen stays quick.
import { crewDay, type CrewDay, type CrewMember, type UnitSteps } from '@yastik/core/crew'
import { Fault } from '@yastik/core/faults'
import { piecesIn, type Equipment } from '@yastik/core/products'

export interface CrewDayAsked {
  /** Comes back with the answer. */
  asking: number
  units: UnitSteps[]
  crew: CrewMember[]
  equipment: Equipment[]
}
/** A day comes as far as it is known, and once more when it is known whole. */
export type CrewDayAnswer = { asking: number } & ({ day: CrewDay } | Pick<Fault, 'sentence' | 'lines'>)

self.onmessage = ({ data: { asking, units, crew, equipment } }: MessageEvent<CrewDayAsked>) => {
  const answer = (what: CrewDayAnswer) => self.postMessage(what)
  try {
    for (const day of crewDay(units, crew, piecesIn(equipment))) answer({ asking, day })
  } catch (error) {
    if (error instanceof Fault) answer({ asking, sentence: error.sentence, lines: error.lines })
    else throw error
  }
}
