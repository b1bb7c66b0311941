// What do the part graphs of window and through-wall units share, once the chassis is out?
import type { Component } from '../component.ts'
import { minutes, pipeBehind, sharpFins } from './common.ts'

/** Foam over the blower, taped all round. */
export const foamAirGuide: Component = {
  id: 'air-guide',
  name: 'foam air guide',
  behind: ['cover'],
  fitted: (design) => design.removable && design.foamAirGuide,
  fasteners: () => [{ kind: 'foil tape to renew', count: 1 }],
  slot: 'tray C',
  offMin: minutes(4),
  onMin: minutes(5),
  takeOff: 'Cut the tape round the foam air guide, only as deep as the tape, and lift it off the blower',
  putBack: 'Seat the foam air guide and close it all round with foil tape; silicone dabs have to set before it runs',
  photo: 'the air guide, tape still on',
  seatGate: 'No gap shows round the air guide',
  cautions: ['Blade no deeper than the tape: a coil pipe lies close.'],
}

/** Pan below the indoor coil; its water runs on to the base pan. */
export const indoorPan: Component = {
  id: 'pan',
  name: 'indoor pan',
  part: 'pan',
  behind: ['cover'],
  fitted: (design) => design.removable && design.panRemovable,
  fasteners: () => [{ kind: 'pan screw', count: 2 }],
  slot: 'outdoors, on the wash sheet',
  offMin: minutes(4),
  onMin: minutes(4),
  takeOff: 'Take the pan screws out and draw the indoor pan from under the coil',
  putBack: 'Slide the indoor pan under the coil, its spout over the base pan',
  seatGate: 'The spout lies over the base pan',
  cautions: [sharpFins, pipeBehind],
}
