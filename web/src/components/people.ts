// How are people and their training spoken of?
import type { Skill } from '@yastik/core/procedure'
import type { PersonRecord } from '@yastik/core/wire'

export const roleWords: Record<PersonRecord['role'], string> = { owner: 'owner', technician: 'technician' }
export const skillWords: Record<Skill, string> = { 'wheel-removal': 'takes wheels out', electrics: 'works on electrics', roof: 'goes on roofs' }
export const wayWords: Record<PersonRecord['way'], string> = {
  password: 'by password',
  code: 'by a code that was not used yet',
  none: 'not at all: make a code',
}
