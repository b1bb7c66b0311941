// The firm's data out and in. Whatever leaves holds customers: owners alone take it out.
import { z } from 'zod'
import { bundleReceiptSchema, bundleSchema } from '../bundle.ts'
import { calendarImportSchema, calendarReceiptSchema } from '../calendar.ts'
import { importRecordSchema, takenBackSchema } from '../imports.ts'
import { siteImportLineSchema, siteImportMost, siteImportSchema } from '../siteTable.ts'
import { endpoint } from './endpoint.ts'
import { byId } from './shared.ts'

/** Largest file that is read in, bytes; larger bundles are for backup and restore. */
const largestFile = 32_000_000
/** Room for a calendar as JSON, bytes. */
const largestCalendar = 2_500_000
export const bundleMedia = 'application/vnd.yastik.bundle+json'

export const transferEndpoints = {
  bundle: endpoint({
    method: 'GET',
    path: '/api/bundle',
    who: 'owner',
    asksPassword: true,
    says: 'All of the firm as one file, yastik.bundle/1.',
    answer: bundleSchema,
    gives: ['application/json'],
  }),
  takeBundle: endpoint({
    method: 'POST',
    path: '/api/bundle',
    who: 'owner',
    says: 'Reads a bundle into a firm that is still empty: all of it or nothing.',
    takes: [bundleMedia],
    most: largestFile,
    answer: bundleReceiptSchema,
  }),
  sitesTable: endpoint({
    method: 'GET',
    path: '/api/exports/sites.csv',
    who: 'owner',
    asksPassword: true,
    says: 'Sites and units as a table.',
    gives: ['text/csv'],
  }),
  readingsTable: endpoint({
    method: 'GET',
    path: '/api/exports/readings.csv',
    who: 'owner',
    asksPassword: true,
    says: 'All readings as a table.',
    gives: ['text/csv'],
  }),
  calendar: endpoint({
    method: 'GET',
    path: '/api/exports/visits.ics',
    who: 'owner',
    asksPassword: true,
    says: 'Visits and due days as a calendar.',
    gives: ['text/calendar'],
  }),
  photographs: endpoint({
    method: 'GET',
    path: '/api/exports/photographs.zip',
    who: 'owner',
    asksPassword: true,
    says: 'All photographs with a list of what each shows.',
    gives: ['application/zip'],
  }),
  takeVisits: endpoint({
    method: 'POST',
    path: '/api/imports/visits',
    who: 'people',
    says: 'Says what a calendar would do here; with `take` does it.',
    body: calendarImportSchema,
    most: largestCalendar,
    readInThread: true,
    answer: calendarReceiptSchema,
  }),
  imports: endpoint({
    method: 'GET',
    path: '/api/imports',
    who: 'people',
    says: 'What came in at once lately, newest first.',
    answer: z.array(importRecordSchema),
  }),
  takeBack: endpoint({
    method: 'POST',
    path: '/api/imports/:id/take-back',
    who: 'people',
    says: 'Takes an import back; what something happened to since stays.',
    params: byId,
    answer: takenBackSchema,
  }),
  takeSites: endpoint({
    method: 'POST',
    path: '/api/imports/sites',
    who: 'people',
    says: 'Puts down many sites with their units, all or none; the answer grows line by line while they are written.',
    body: siteImportSchema,
    most: siteImportMost.bytes,
    readInThread: true,
    answer: siteImportLineSchema,
    gives: ['application/x-ndjson'],
  }),
} as const
