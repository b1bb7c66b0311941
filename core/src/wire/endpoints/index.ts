// Endpoints: all that the server answers.
import { calendarEndpoints } from './calendars.ts'
import { customerEndpoints } from './customers.ts'
import { houseEndpoints } from './house.ts'
import { officeEndpoints } from './office.ts'
import { peopleEndpoints } from './people.ts'
import { placeEndpoints } from './places.ts'
import { sessionEndpoints } from './session.ts'
import { transferEndpoints } from './transfer.ts'
import { trustEndpoints } from './trust.ts'
import { upkeepEndpoints } from './upkeep.ts'
import { visitEndpoints } from './visits.ts'

export { addressOf, audiences, type Answer, type Asked, type Audience, type Endpoint, type Given } from './endpoint.ts'
export { areaOf } from './areas.ts'
export { bundleMedia } from './transfer.ts'
export const endpoints = {
  ...sessionEndpoints,
  ...peopleEndpoints,
  ...placeEndpoints,
  ...upkeepEndpoints,
  ...visitEndpoints,
  ...officeEndpoints,
  ...houseEndpoints,
  ...transferEndpoints,
  ...calendarEndpoints,
  ...trustEndpoints,
  ...customerEndpoints,
} as const
