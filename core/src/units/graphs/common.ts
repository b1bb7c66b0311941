// What do the part graphs of all families share?
import { estimate } from '../../quantities/index.ts'
import type { Component } from '../component.ts'
import type { KnownDesign } from '../defaults.ts'

export const minutes = (value: number) => estimate(value, 'min hands-on')
export const none = () => []
export const always = () => true

export const sharpFins = 'Fins cut: gloves on, never grip the coil by its fins.'
export const sheetMetal = 'Sheet metal edges cut: gloves on.'
export const storedCharge = 'Stored charge: wait, and prove dead again before touching terminals.'
export const pipeBehind = 'A coil pipe lies right behind: no screw goes back longer than it was, nor where another sat.'

/** Coil thermistor: out of its clip and clear of the water, as soon as what sits in front is off. */
export const coilThermistor = (front: string): Component => ({
  id: 'coil-thermistor',
  name: 'coil thermistor',
  behind: [front],
  fitted: always,
  fasteners: () => [{ kind: 'sensor clip', count: 1 }],
  slot: 'tied to the frame, clear of water',
  offMin: minutes(1),
  onMin: minutes(1),
  takeOff: 'Slip the coil thermistor out of its clip and tie it clear of the water',
  putBack: 'Push the coil thermistor fully into its clip',
  photo: 'the coil thermistor in its clip',
  seatGate: 'The thermistor is back in its own clip',
  cautions: [sharpFins],
})

interface ControlBox extends Pick<Component, 'behind' | 'takeOff' | 'photo' | 'offMin' | 'onMin'> {
  readonly name?: string
  readonly screws: number
  readonly plugs: number
  readonly putBack?: string
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
  slot: 'dry bag',
  putBack: putBack ?? `Refit the ${name} and join each plug to its label, earth first`,
  seatGate: 'Every plug is on its label, earth first',
  cautions: [storedCharge],
  skill: 'electrics',
  ...fields,
})
