// Formats: what other programs are told of our files and of the server.
export { asRead } from './asRead.ts'
export { describeFields } from './describe.ts'
export { jsonSchemas } from './schemas.ts'
