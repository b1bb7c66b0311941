// The demo: a firm with sites, visits and an office, loaded once into an empty database.
export { loadDemo as default } from './demo/load.ts'
