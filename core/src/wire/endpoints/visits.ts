// Visits: planned, moved, worked on event by event, photographed, and measured.
import { z } from 'zod'
import { closed } from '../../faults/index.ts'
import { partSchema } from '../../units/index.ts'
import {
  crewRecordSchema,
  daySchema,
  eventBatchSchema,
  eventReceiptSchema,
  instrumentMessageSchema,
  jobCancelSchema,
  jobCardSchema,
  jobFormSchema,
  jobMoveSchema,
  jobRecordSchema,
  photoLimits,
  photoRecordSchema,
  streamMessageSchema,
} from '../records.ts'
import { endpoint } from './endpoint.ts'
import { byId } from './shared.ts'

const atUnit = closed({ id: z.uuid(), unitId: z.uuid() })
const eventStream = ['text/event-stream'] as const

export const visitEndpoints = {
  today: endpoint({
    method: 'GET',
    path: '/api/today',
    who: 'people',
    says: 'Visits of a day, those that are still open from before, and what comes next.',
    query: closed({ day: daySchema }),
    answer: closed({ today: z.array(jobCardSchema), coming: z.array(jobCardSchema) }),
  }),
  crew: endpoint({ method: 'GET', path: '/api/crew', who: 'people', says: 'People of the firm, by name.', answer: z.array(crewRecordSchema) }),
  makeJob: endpoint({
    method: 'POST',
    path: '/api/jobs',
    who: 'people',
    says: 'Plans a visit to units of a site.',
    body: jobFormSchema,
    answer: jobCardSchema,
    status: 201,
  }),
  job: endpoint({
    method: 'GET',
    path: '/api/jobs/:id',
    who: 'people',
    says: 'All that a visit needs on the device.',
    params: byId,
    answer: jobRecordSchema,
  }),
  moveJob: endpoint({
    method: 'PUT',
    path: '/api/jobs/:id',
    who: 'people',
    says: 'Puts a visit on another day or gives it to others, over the revision that was seen.',
    params: byId,
    body: jobMoveSchema,
    answer: jobCardSchema,
  }),
  cancelJob: endpoint({
    method: 'POST',
    path: '/api/jobs/:id/cancel',
    who: 'people',
    says: 'Cancels a visit on which no work has begun.',
    params: byId,
    body: jobCancelSchema,
    answer: jobCardSchema,
  }),
  storeEvents: endpoint({
    method: 'POST',
    path: '/api/jobs/:id/events',
    who: 'people',
    says: 'Stores what happened; each event is judged by itself, and sending one twice does nothing.',
    params: byId,
    body: eventBatchSchema,
    answer: eventReceiptSchema,
  }),
  jobStream: endpoint({
    method: 'GET',
    path: '/api/jobs/:id/stream',
    who: 'people',
    says: 'Events of a visit as they are stored, as server-sent events.',
    params: byId,
    query: closed({ after: z.coerce.number().int().min(0).optional() }),
    answer: streamMessageSchema,
    gives: eventStream,
  }),
  instruments: endpoint({
    method: 'GET',
    path: '/api/jobs/:id/units/:unitId/instruments',
    who: 'people',
    says: 'What instruments at a unit read, as server-sent events.',
    params: atUnit,
    answer: instrumentMessageSchema,
    gives: eventStream,
  }),
  camera: endpoint({
    method: 'GET',
    path: '/api/jobs/:id/units/:unitId/instruments/camera',
    who: 'people',
    says: 'A photograph of a part by a camera that is connected here.',
    params: atUnit,
    query: closed({ part: partSchema }),
    gives: ['image/jpeg'],
  }),
  sendPhoto: endpoint({
    method: 'PUT',
    path: '/api/jobs/:id/units/:unitId/photos/:photoId',
    who: 'people',
    says: 'Keeps a photograph of a unit; what it is, its content says.',
    params: closed({ ...atUnit.shape, photoId: z.uuid() }),
    takes: ['image/*', 'application/octet-stream'],
    most: photoLimits.megabytes * 1e6,
    answer: photoRecordSchema,
  }),
  photo: endpoint({
    method: 'GET',
    path: '/api/photos/:id',
    who: 'people',
    says: 'A photograph, whole or as its preview.',
    params: byId,
    query: closed({ size: z.literal('small').optional() }),
    gives: ['image/jpeg', 'image/png', 'image/webp'],
  }),
} as const
