// How is what is on record spoken of?
import type { AuditKind } from '@yastik/core/wire'

export const auditWords: Record<AuditKind, string> = {
  'signed-in': 'signed in',
  'sign-in-failed': 'did not get in',
  'password-set': 'set a password',
  'second-factor-set': 'set a second factor',
  'second-factor-dropped': 'took the second factor off',
  'sessions-ended': 'signed out elsewhere',
  refused: 'was turned down',
  exported: 'took out',
  imported: 'took in',
  'person-added': 'added a person',
  'person-changed': 'changed a person',
  'person-reset': 'gave a new way in',
  'security-changed': 'changed what is asked of owners',
  'labels-changed': 'changed labels or prices',
  'house-rules-changed': 'changed house rules',
  'token-made': 'let a program in',
  'token-ended': 'ended a program’s way in',
  'calendar-made': 'made a calendar to be fetched',
  'calendar-ended': 'took a calendar’s address back',
  'customer-taken-out': 'took out what is kept of a customer',
  'customer-erased': 'erased a customer',
  'retention-changed': 'changed how long things are kept',
  retired: 'retired a site or a unit',
  'in-use-again': 'took a site or a unit into use again',
  'taken-back': 'took back what came in',
  cleared: 'cleared what was kept long enough',
}

/** A state in a line: `hourCost 58, roofWindLimitMs 8`. */
export const stateInWords = (state: Record<string, unknown> | null): string =>
  Object.entries(state ?? {})
    .map(([name, value]) => `${name} ${typeof value === 'string' ? value : JSON.stringify(value)}`)
    .join(', ')
