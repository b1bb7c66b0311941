// Wire: the shapes that travel between browser and server.
export * from './records.ts'
export * from './bundle.ts'
export * from './messages.ts'
export * from './quotes.ts'
export * from './quoteText.ts'
export * from './siteTable.ts'
export * from './stock.ts'
export { jsonSchemas } from './formats.ts'
