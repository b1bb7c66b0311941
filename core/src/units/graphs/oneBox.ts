// What do the part graphs of window and through-wall units share, once the chassis is out?
import type { Component } from '../component.ts'
import { minutes, pipeBehind, sharpFins } from './common.ts'
import { says } from '../../words/index.ts'

/** Foam over the blower, taped all round. */
export const foamAirGuide: Component = {
  id: 'air-guide',
  name: 'foam air guide',
  behind: ['cover'],
  fitted: (design) => design.removable && design.foamAirGuide,
  fasteners: () => [{ kind: 'foil tape to renew', count: 1 }],
  slot: says('units.foamAirGuide.slot'),
  offMin: minutes(2),
  onMin: minutes(2.5),
  takeOff: says('units.foamAirGuide.takeOff'),
  putBack: says('units.foamAirGuide.putBack'),
  photo: says('units.foamAirGuide.photo'),
  seatGate: says('units.foamAirGuide.seatGate'),
  cautions: [says('units.foamAirGuide.cautions')],
}

/** Pan below the indoor coil; its water runs on to the base pan. */
export const indoorPan: Component = {
  id: 'pan',
  name: 'indoor pan',
  part: 'pan',
  behind: ['cover'],
  fitted: (design) => design.removable && design.panRemovable,
  fasteners: () => [{ kind: 'pan screw', count: 2 }],
  slot: says('units.pan.slot'),
  offMin: minutes(2),
  onMin: minutes(2),
  takeOff: says('units.indoorPan.takeOff'),
  putBack: says('units.indoorPan.putBack'),
  seatGate: says('units.indoorPan.seatGate'),
  cautions: [sharpFins, pipeBehind],
}
