// Why can a photograph not be read? In a sentence, with what would help.
import { Fault } from '../../faults/index.ts'
import { says, type Message } from '../../words/index.ts'
import type { Surface } from './surface.ts'

export const unclear = (what: Message, allowed: Message): Fault =>
  new Fault('photo-unclear', { lines: [{ where: says('fault.photo'), what, allowed }] })

/** Neither bare metal, nor anything that says that there is some. */
export const nothingSeen = (surface: Surface): Fault =>
  unclear(says('fault.photo.nothing-seen', { surface }), says('fault.photo.nothing-seen-allowed'))
