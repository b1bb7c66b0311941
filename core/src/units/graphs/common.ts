// What do the part graphs of all families share?
import { estimate } from '../../quantities/index.ts'
import { componentName, type Component } from '../component.ts'
import type { KnownDesign } from '../defaults.ts'
import { says, type Message } from '../../words/index.ts'

export const minutes = (value: number) => estimate(value, 'min hands-on')
export const none = () => []
export const always = () => true

export const sharpFins = says('units.sharpFins.fins-cut-gloves-never')
export const storedCharge = says('units.storedCharge.stored-charge-wait-prove')
export const pipeBehind = says('units.pipeBehind.coil-pipe-lies-right')

/** Coil thermistor: out of its clip and clear of the water, as soon as what sits in front is off. */
export const coilThermistor = (front: string): Component => ({
  id: 'coil-thermistor',
  name: 'coil thermistor',
  behind: [front],
  fitted: always,
  fasteners: () => [{ kind: 'sensor clip', count: 1 }],
  slot: says('units.coil-thermistor.slot'),
  offMin: minutes(1),
  onMin: minutes(1),
  takeOff: says('units.coil-thermistor.takeOff'),
  putBack: says('units.coil-thermistor.putBack'),
  photo: says('units.coil-thermistor.photo'),
  seatGate: says('units.coil-thermistor.seatGate'),
  cautions: [sharpFins],
})

interface ControlBox extends Pick<Component, 'behind' | 'takeOff' | 'photo' | 'offMin' | 'onMin'> {
  readonly name?: string
  readonly screws: number
  readonly plugs: number
  readonly putBack?: Message
  readonly fitted?: (design: KnownDesign) => boolean
  readonly ladder?: boolean
}

/** Electronics that come off: plugs labelled, bagged away from the water, by somebody trained. */
export const controlBox = ({ screws, plugs, name = 'control box', putBack, fitted, ...fields }: ControlBox): Component => ({
  id: 'board-box',
  name,
  fitted: fitted ?? ((design) => design.boardRemovable),
  fasteners: () => [
    { kind: 'box screw', count: screws },
    { kind: 'labelled plug', count: plugs },
  ],
  slot: says('units.board-box.slot'),
  putBack: putBack ?? says('units.board-box.putBack', { component: componentName(name) }),
  seatGate: says('units.board-box.seatGate'),
  cautions: [storedCharge],
  skill: 'electrics',
  ...fields,
})
