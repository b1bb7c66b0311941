// Who is there: signing in and out, and what a person sets for themselves.
import { z } from 'zod'
import { measuresSchema } from '../../quantities/index.ts'
import { clockSchema, languageSchema, meSchema, signInSchema } from '../records.ts'
import { endpoint, forPeople } from './endpoint.ts'
import { mostForAnyone } from './shared.ts'

const path = '/api/session'
export const sessionEndpoints = {
  signIn: forPeople({
    method: 'POST',
    path,
    who: 'anyone',
    says: 'Signs in: opens a session, held by a cookie.',
    body: signInSchema,
    most: mostForAnyone,
    answer: meSchema,
  }),
  whoAmI: endpoint({ method: 'GET', path, who: 'people', says: 'Who is signed in.', answer: meSchema }),
  signOut: forPeople({ method: 'DELETE', path, who: 'people', withoutFactor: true, says: 'Signs out: ends the session.', status: 204 }),
  setMeasures: forPeople({
    method: 'PUT',
    path: '/api/session/measures',
    who: 'people',
    withoutFactor: true,
    says: 'Sets the units that this person reads figures in.',
    body: measuresSchema,
    answer: meSchema,
  }),
  setLanguage: forPeople({
    method: 'PUT',
    path: '/api/session/language',
    who: 'people',
    withoutFactor: true,
    says: 'Sets the language that this person reads.',
    body: languageSchema,
    answer: meSchema,
  }),
  clock: endpoint({
    method: 'GET',
    path: '/api/clock',
    who: 'people',
    says: 'What time it is here, by which a device finds out how far its own clock is off.',
    answer: clockSchema,
  }),
  openapi: endpoint({
    method: 'GET',
    path: '/api/openapi.json',
    who: 'people',
    says: 'All that is answered here, as an OpenAPI document.',
    answer: z.record(z.string(), z.unknown()),
  }),
} as const
