// Who is there: signing in and out, and what a person sets for themselves.
import { clockSchema, meSchema, measuresSchema, signInSchema } from '../records.ts'
import { endpoint } from './endpoint.ts'

const path = '/api/session'
export const sessionEndpoints = {
  signIn: endpoint({
    method: 'POST',
    path,
    who: 'anyone',
    says: 'Signs in: opens a session, held by a cookie.',
    body: signInSchema,
    answer: meSchema,
  }),
  whoAmI: endpoint({ method: 'GET', path, who: 'people', says: 'Who is signed in.', answer: meSchema }),
  signOut: endpoint({ method: 'DELETE', path, who: 'people', says: 'Signs out: ends the session.', status: 204 }),
  setMeasures: endpoint({
    method: 'PUT',
    path: '/api/session/measures',
    who: 'people',
    says: 'Sets the units that this person reads figures in.',
    body: measuresSchema,
    answer: meSchema,
  }),
  clock: endpoint({
    method: 'GET',
    path: '/api/clock',
    who: 'people',
    says: 'What time it is here, by which a device finds out how far its own clock is off.',
    answer: clockSchema,
  }),
} as const
