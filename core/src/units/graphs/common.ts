// What do the part graphs of all families share?
import { estimate } from '../../quantities/index.ts'

export const minutes = (value: number) => estimate(value, 'min hands-on')
export const none = () => []
export const always = () => true

export const sharpFins = 'Fins cut: gloves on, never grip the coil by its fins.'
export const sheetMetal = 'Sheet metal edges cut: gloves on.'
export const storedCharge = 'Stored charge: wait, and prove dead again before touching terminals.'
export const pipeBehind = 'A coil pipe lies right behind: no screw goes back longer than it was, nor where another sat.'
