// People of the firm, for its owners; and how each person gets in.
import { z } from 'zod'
import { closed } from '../../schemas/index.ts'
import {
  newPasswordSchema,
  oneTimeCodeSchema,
  personAddSchema,
  personCodeSchema,
  personRecordSchema,
  personSaveSchema,
  sessionRecordSchema,
} from '../people.ts'
import { meSchema, signInSchema } from '../records.ts'
import { forPeople } from './endpoint.ts'
import { byId, mostForAnyone } from './shared.ts'

const person = closed({ id: z.coerce.number().int().min(1) })
const password = signInSchema.shape.password

export const peopleEndpoints = {
  people: forPeople({ method: 'GET', path: '/api/people', who: 'owner', says: 'People of the firm, by name.', answer: z.array(personRecordSchema) }),
  addPerson: forPeople({
    method: 'POST',
    path: '/api/people',
    who: 'owner',
    says: 'Adds a person, who sets a password by a code that is shown this once.',
    body: personAddSchema,
    answer: personCodeSchema,
    status: 201,
  }),
  savePerson: forPeople({
    method: 'PUT',
    path: '/api/people/:id',
    who: 'owner',
    says: 'Saves what is said of a person, and whether they get in.',
    params: person,
    body: personSaveSchema,
    answer: personRecordSchema,
  }),
  resetPerson: forPeople({
    method: 'POST',
    path: '/api/people/:id/code',
    who: 'owner',
    says: 'Takes a person’s password and second factor away and gives them a code to set a new one.',
    params: person,
    answer: personCodeSchema,
    status: 201,
  }),
  useCode: forPeople({
    method: 'POST',
    path: '/api/session/code',
    who: 'anyone',
    says: 'Sets a password by a code that an owner gave, and signs in.',
    body: closed({ signIn: signInSchema.shape.signIn, code: oneTimeCodeSchema, password: newPasswordSchema }),
    most: mostForAnyone,
    answer: meSchema,
  }),
  changePassword: forPeople({
    method: 'PUT',
    path: '/api/session/password',
    who: 'people',
    withoutFactor: true,
    says: 'Changes one’s own password; all other sessions end, and tokens and calendars unless they are kept.',
    body: closed({
      password,
      next: newPasswordSchema,
      /** Whether tokens and secret calendars that one made go on; they end without it. */
      keepsAccess: z.boolean().optional(),
    }),
    answer: meSchema,
  }),
  confirmPassword: forPeople({
    method: 'POST',
    path: '/api/session/confirm',
    who: 'people',
    withoutFactor: true,
    says: 'Gives the password again, before what asks for it.',
    body: closed({ password }),
    status: 204,
  }),
  isConfirmed: forPeople({
    method: 'GET',
    path: '/api/session/confirmed',
    who: 'people',
    asksPassword: true,
    says: 'Whether the password was given lately: before a file is fetched that asks for it.',
    status: 204,
  }),
  sessions: forPeople({
    method: 'GET',
    path: '/api/sessions',
    who: 'people',
    says: 'Where one is signed in.',
    answer: z.array(sessionRecordSchema),
  }),
  endSession: forPeople({
    method: 'DELETE',
    path: '/api/sessions/:id',
    who: 'people',
    withoutFactor: true,
    says: 'Signs out one device.',
    params: byId,
    status: 204,
  }),
  endSessions: forPeople({
    method: 'DELETE',
    path: '/api/sessions',
    who: 'people',
    withoutFactor: true,
    says: 'Signs out everywhere but here.',
    status: 204,
  }),
  beginSecondFactor: forPeople({
    method: 'POST',
    path: '/api/session/second-factor',
    who: 'people',
    withoutFactor: true,
    says: 'Makes a secret for a second factor; it counts once a code of it was entered.',
    body: closed({ password }),
    answer: closed({ secret: z.string(), uri: z.string() }),
    status: 201,
  }),
  confirmSecondFactor: forPeople({
    method: 'PUT',
    path: '/api/session/second-factor',
    who: 'people',
    withoutFactor: true,
    says: 'Sets the second factor, and gives codes for its loss, this once.',
    body: closed({ code: z.string().trim().max(40) }),
    answer: closed({ me: meSchema, recoveryCodes: z.array(z.string()) }),
  }),
  dropSecondFactor: forPeople({
    method: 'POST',
    path: '/api/session/second-factor/drop',
    who: 'people',
    says: 'Takes the second factor off: by the password, and a code of it or one of those for its loss.',
    body: closed({ password, code: z.string().trim().min(1).max(40) }),
    answer: meSchema,
  }),
  security: forPeople({
    method: 'GET',
    path: '/api/security',
    who: 'owner',
    says: 'What the firm asks of its owners.',
    answer: closed({ ownersNeedSecondFactor: z.boolean() }),
  }),
  saveSecurity: forPeople({
    method: 'PUT',
    path: '/api/security',
    who: 'owner',
    says: 'Sets what the firm asks of its owners.',
    body: closed({ ownersNeedSecondFactor: z.boolean() }),
    answer: closed({ ownersNeedSecondFactor: z.boolean() }),
  }),
} as const
