// Which things can go wrong, with what HTTP status, and in which sentence does a technician read it?

/** One entry a kind of fault: the status it has over HTTP and how it is said. */
export const faultCatalogue = {
  'not-json': { status: 400, sentence: 'This is not JSON.' },
  'too-large': { status: 413, sentence: 'This is larger than what is taken.' },
  'does-not-hold-up': { status: 422, sentence: 'Something in what was sent does not hold up.' },
  'not-a-photo': { status: 422, sentence: 'This is not a photograph that can be kept.' },
  'photo-unclear': { status: 422, sentence: 'This photograph cannot be read.' },
  'broken-off': { status: 400, sentence: 'What was sent broke off in the middle. Nothing of it was kept; send it again.' },
  'newer-format': { status: 422, sentence: 'This was made by a newer version than this one can read.' },
  'changed-content': { status: 422, sentence: 'This was changed after it was made: its checksum does not fit.' },
  'other-version': {
    status: 502,
    sentence: 'What was answered is not what this page knows: one of them is newer. Load the page anew; what waits on this device stays.',
  },
  'not-signed-in': { status: 401, sentence: 'Sign in first.' },
  'wrong-sign-in': { status: 401, sentence: 'This name and password do not go together.' },
  'second-factor': { status: 401, sentence: 'Enter the code of your second factor as well.' },
  'not-allowed': { status: 403, sentence: 'Your role does not allow this.' },
  'device-full': { status: 507, sentence: 'This device has no room left: this was not kept. Send what waits, or make room, and enter it again.' },
  'device-shut': {
    status: 503,
    sentence: 'This browser keeps nothing for the application: what is entered would be lost. Open it in an ordinary window.',
  },
  'wrong-origin': { status: 403, sentence: 'This request did not come from the application itself.' },
  'not-there': { status: 404, sentence: 'This is not there.' },
  'changed-meanwhile': { status: 409, sentence: 'Somebody else saved this in the meantime.' },
  'in-use': { status: 409, sentence: 'This is in use.' },
  'wrong-media': { status: 415, sentence: 'This kind of content is not taken.' },
  'too-often': { status: 429, sentence: 'Too many tries. Wait a minute.' },
  'no-schedule': { status: 422, sentence: 'No order of work keeps all the limits.' },
  'database-away': { status: 503, sentence: 'The database does not answer just now. What you enter stays on this device and is sent later.' },
  busy: { status: 503, sentence: 'Others are writing the same just now. Nothing of this was kept; it may be sent again.' },
  internal: { status: 500, sentence: 'Something failed on our side. It is logged; try again.' },
} as const satisfies Record<string, { status: number; sentence: string }>

export type FaultCode = keyof typeof faultCatalogue
