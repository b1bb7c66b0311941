// Faults: what can go wrong, and how it is said.
export { faultStatus, isFaultCode, type FaultCode } from './catalogue.ts'
export { boundKinds, boundWord, doesNotHoldUp, Fault, faultLine, type Bound, type FaultLine } from './Fault.ts'
export { linesOf, mostLines, orFault, readBy, refusedAs, shortened } from './schema.ts'
