// Wire: the shapes that travel between browser and server.
export { findQuerySchema, foundSchema, type Found } from './find.ts'
export { dueHorizons, duePageSchema, type DuePage, type DueVisits, type DueWorth, type UnitOutlook } from './due.ts'
export { wordingRecordSchema, type WordingRecord } from './wording.ts'
export { ofStored, stored } from './stored.ts'
export { faultBodyOf, faultBodySchema, faultFrom, type FaultBody } from './faults.ts'
export { dayOutlookSchema, lateQuerySchema, type DayOutlook } from './day.ts'
export {
  daySchema,
  minuteSchema,
  signInSchema,
  roles,
  meSchema,
  type Me,
  siteFormSchema,
  type SiteForm,
  siteSaveSchema,
  plateSchema,
  type Plate,
  unitFormSchema,
  type UnitForm,
  alikeUnitsSchema,
  unitRecordSchema,
  type UnitRecord,
  siteRecordSchema,
  type SiteRecord,
  type SitePage,
  type SiteQuery,
  jobFormSchema,
  type JobForm,
  jobCardSchema,
  type JobCard,
  crewRecordSchema,
  type CrewRecord,
  crewOfPlan,
  jobRecordSchema,
  type JobRecord,
  type PhotoRecord,
  photoLimits,
  mostRevision,
  eventBatchSchema,
  type EventReceipt,
  instrumentMessageSchema,
  streamMessageSchema,
  type StreamMessage,
  houseRulesRecordSchema,
  type HouseRulesRecord,
  type StepTimesRecord,
  storesRecordSchema,
  type StoresRecord,
  logEntrySchema,
  type LogEntry,
  type LogQuery,
  type LogPage,
  type VisitFound,
} from './records.ts'
export { type BundleContent, bundleSchema, type Bundle, type BundleReceipt } from './bundle.ts'
export { type ImportRecord, type TakenBack } from './imports.ts'
export { type CalendarRow, type CalendarReceipt } from './calendar.ts'
export { type CalendarForm, type CalendarRecord } from './calendars.ts'
export { type CustomerData, type Retention, keepsAll } from './customers.ts'
export {
  remindersSchema,
  type Reminders,
  plainAddress,
  type MessageState,
  longestMessage,
  type HoldReason,
  type MessageDraft,
  messageRecordSchema,
  type MessageRecord,
  type MessagePage,
} from './messages.ts'
export { leastPassword, type PersonForm, type PersonRecord, type PersonCode, type SessionRecord } from './people.ts'
export {
  type QuoteState,
  type QuoteForm,
  type QuoteChange,
  type QuoteBody,
  quoteRecordSchema,
  type QuoteRecord,
  type QuotePage,
  type QuoteAccept,
  payable,
  taxIn,
} from './quotes.ts'
export { quoteText, wayLetter } from './quoteText.ts'
export {
  readSiteTable,
  guessColumn,
  siteTableColumns,
  neededColumns,
  usualSite,
  siteImportMost,
  cellsOf,
  type SiteImport,
  type SiteImportReceipt,
  type SiteImportLine,
  type RowFault,
} from './siteTable.ts'
export { type MoveKind, stockFormSchema, type StockForm, type StockRecord, type StockMoves, type DayLoad } from './stock.ts'
export { type AuditKind, type AuditEntry, type AuditPage, tokenScopes, tokenAreas, type TokenArea, longestToken, type TokenRecord } from './trust.ts'
export { addressOf, areaOf, type Answer, type Asked, type Audience, type Endpoint, type Given, bundleMedia, endpoints } from './endpoints/index.ts'
export { isPage, pagePaths } from './pages.ts'
export { asRead, describeFields, jsonSchemas } from './formats/index.ts'
export { photographListSchema, type PhotographList } from './photographs.ts'
