// Instruments: what they say, when it has settled, and stand-ins for those that are not here.
export { simulatedShot } from './camera.ts'
export { flowTestLitres, instrumentReadingSchema, quantities, type Instrument, type InstrumentReading, type MeasuredQuantity } from './reading.ts'
export { settledOf, settledS, type Settled } from './settled.ts'
export { isRunning, simulatedReadings, soilNow, truthOf, type Simulated } from './simulate.ts'
