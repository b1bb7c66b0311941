// Which things can go wrong, and with what HTTP status? How each is said stands in the words, by its code.

export const faultStatus = {
  'not-json': 400,
  'too-large': 413,
  'does-not-hold-up': 422,
  'not-a-photo': 422,
  'photo-unclear': 422,
  'broken-off': 400,
  'newer-format': 422,
  'changed-content': 422,
  'other-version': 502,
  'not-signed-in': 401,
  'wrong-sign-in': 401,
  'second-factor': 401,
  'confirm-password': 403,
  'not-allowed': 403,
  'device-full': 507,
  'device-shut': 503,
  'wrong-origin': 403,
  'not-there': 404,
  'changed-meanwhile': 409,
  'in-use': 409,
  'wrong-media': 415,
  'too-often': 429,
  'no-schedule': 422,
  'database-away': 503,
  'disk-full': 503,
  busy: 503,
  internal: 500,
} as const satisfies Record<string, number>

export type FaultCode = keyof typeof faultStatus
export const isFaultCode = (code: string): code is FaultCode => Object.hasOwn(faultStatus, code)
