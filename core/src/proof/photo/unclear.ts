// Why can a photograph not be read? In a sentence, with what would help.
import { Fault } from '../../faults/index.ts'
import type { Surface } from './surface.ts'

export const unclear = (what: string, allowed: string): Fault => new Fault('photo-unclear', { lines: [{ where: 'the photograph', what, allowed }] })

/** Neither bare metal, nor anything that says that there is some. */
export const nothingSeen = (surface: Surface): Fault =>
  unclear(
    `no ${surface} can be made out in the region`,
    'a sharp photograph, straight on, in which some bare metal shows; where all of it is covered, grade it by eye',
  )
