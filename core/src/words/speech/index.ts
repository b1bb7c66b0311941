// What puts messages into words, by itself: for whoever fetches it only when something has to be said.
export { catalogueOf } from '../languages.ts'
export { sayIn } from '../renderer.ts'
export { worded } from '../wording.ts'
export { faultOfText, faultsOfWording, sampleOf, valuesOf } from './ownText.ts'
