// How the firm works: its rules, its stores, and what its step times turn out to be.
import { houseRulesRecordSchema, stepTimesRecordSchema, storesRecordSchema } from '../records.ts'
import { wordingRecordSchema } from '../wording.ts'
import { endpoint } from './endpoint.ts'

export const houseEndpoints = {
  houseRules: endpoint({
    method: 'GET',
    path: '/api/house-rules',
    who: 'people',
    says: 'The rules by which the firm works.',
    answer: houseRulesRecordSchema,
  }),
  saveHouseRules: endpoint({
    method: 'PUT',
    path: '/api/house-rules',
    who: 'owner',
    says: 'Sets the rules over the version that was seen.',
    body: houseRulesRecordSchema,
    answer: houseRulesRecordSchema,
  }),
  wording: endpoint({
    method: 'GET',
    path: '/api/wording',
    who: 'people',
    says: 'What the firm says to customers in its own words.',
    answer: wordingRecordSchema,
  }),
  saveWording: endpoint({
    method: 'PUT',
    path: '/api/wording',
    who: 'owner',
    says: 'Sets the firm’s own words over the version that was seen.',
    body: wordingRecordSchema,
    most: 200_000,
    answer: wordingRecordSchema,
  }),
  stepTimes: endpoint({
    method: 'GET',
    path: '/api/step-times',
    who: 'owner',
    says: 'How long steps take here, from the runs that are finished.',
    answer: stepTimesRecordSchema,
  }),
  stores: endpoint({
    method: 'GET',
    path: '/api/stores',
    who: 'people',
    says: 'Products with their labels, and equipment.',
    answer: storesRecordSchema,
  }),
  saveStores: endpoint({
    method: 'PUT',
    path: '/api/stores',
    who: 'owner',
    says: 'Saves the stores over the version that was seen.',
    body: storesRecordSchema,
    most: 400_000,
    answer: storesRecordSchema,
  }),
} as const
