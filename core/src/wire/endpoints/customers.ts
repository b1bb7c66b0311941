// What is kept of customers: taken out for one of them, erased on request, and cleared after a while.
import { z } from 'zod'
import { closed } from '../../schemas/index.ts'
import { customerDataSchema, retentionSchema } from '../customers.ts'
import { siteRecordSchema } from '../records.ts'
import { endpoint, forPeople } from './endpoint.ts'
import { byId } from './shared.ts'

export const customerEndpoints = {
  customerData: endpoint({
    method: 'GET',
    path: '/api/sites/:id/customer',
    who: 'owner',
    asksPassword: true,
    says: 'All that is kept of one customer, as yastik.customer/1.',
    params: byId,
    answer: customerDataSchema,
  }),
  eraseCustomer: forPeople({
    method: 'POST',
    path: '/api/sites/:id/erase',
    who: 'owner',
    asksPassword: true,
    says: 'Erases a customer: name, contact, photographs, messages and signatures; readings stay, without a name.',
    params: byId,
    body: closed({ version: z.int().min(1) }),
    answer: siteRecordSchema,
  }),
  retention: endpoint({ method: 'GET', path: '/api/retention', who: 'owner', says: 'After how many months things go.', answer: retentionSchema }),
  saveRetention: forPeople({
    method: 'PUT',
    path: '/api/retention',
    who: 'owner',
    asksPassword: true,
    says: 'Sets after how many months things go.',
    body: retentionSchema,
    answer: retentionSchema,
  }),
} as const
