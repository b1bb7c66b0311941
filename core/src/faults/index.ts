// Faults: what can go wrong, and how it is said.
export { faultCatalogue, type FaultCode } from './catalogue.ts'
export { boundKinds, Fault, sayFaultLine, type Bound, type FaultLine } from './Fault.ts'
export { closed, linesOf, readBy } from './schema.ts'
