// How do other programs learn what the server answers? An OpenAPI document, made from the routes, and so from the table of endpoints.
import swagger from '@fastify/swagger'
import { houseRulesSchema } from '@yastik/core/method'
import { quoteOptionSchema } from '@yastik/core/plan'
import { equipmentSchema, productSchema } from '@yastik/core/products'
import { measuresSchema } from '@yastik/core/quantities'
import { eventSchema } from '@yastik/core/run'
import { firmRatesSchema, visitSchema } from '@yastik/core/upkeep'
import {
  asRead,
  bundleSchema,
  crewRecordSchema,
  describeFields,
  duePageSchema,
  endpoints,
  faultBodySchema,
  jobCardSchema,
  jobRecordSchema,
  logEntrySchema,
  meSchema,
  messageRecordSchema,
  quoteRecordSchema,
  siteFormSchema,
  siteRecordSchema,
  unitFormSchema,
  unitRecordSchema,
  type Endpoint,
} from '@yastik/core/wire'
import type { FastifyInstance, FastifySchema } from 'fastify'
import { createJsonSchemaTransform, createJsonSchemaTransformObject } from 'fastify-type-provider-zod'
import { z } from 'zod'
import { cookieName } from '../auth/sessions.ts'

const about =
  'What the server of Yastik answers. People hold a session by a cookie, and what changes something is taken only from pages of the same origin; ' +
  'programs bring a token that an owner made, in `Authorization: Bearer`. A fault says where, what, and what is allowed instead.'

const names = new Map<Endpoint, string>(Object.entries(endpoints).map(([name, own]) => [own, name]))

/** What is said of an endpoint: read and answered as its schemas have it, and a fault in their place. */
export function schemaOf(own: Endpoint): FastifySchema {
  const { method, path, onlyPeople, params, query, body, answer, gives, takes, status = 200, says, who } = own
  const media = (types: readonly string[], schema: z.ZodType) => Object.fromEntries(types.map((type) => [type, { schema }]))
  const json = ['application/json'] as const
  const answered = gives ? media(gives, answer ?? z.unknown()) : answer && media(json, answer)
  return {
    operationId: names.get(own),
    tags: [path.split('/')[2].replace(/\..*$/, '')],
    summary: says,
    ...(who === 'owner' ? { description: 'For owners.' } : {}),
    security: who === 'anyone' ? [] : [{ session: [] }, ...(onlyPeople ? [] : [{ token: [] }])],
    ...(params ? { params } : {}),
    ...(query ? { querystring: query } : method === 'GET' ? { querystring: z.object({}) } : {}),
    ...(body ? { body } : {}),
    ...(takes ? { consumes: [...takes] } : {}),
    response: {
      ...(answered ? { [status]: { description: says, content: answered } } : {}),
      default: { description: 'What is wrong, where, and what is allowed instead.', content: media(json, faultBodySchema) },
    },
  } as FastifySchema
}

/** Shapes that are spoken of at several endpoints, under a name of their own. */
const shapes = z.registry<{ id: string }>()
for (const [id, schema] of Object.entries({
  Bundle: bundleSchema,
  CrewMember: crewRecordSchema,
  DueEntry: duePageSchema.shape.entries.element,
  Equipment: equipmentSchema,
  Event: eventSchema,
  Fault: faultBodySchema,
  FirmRates: firmRatesSchema,
  HouseRules: houseRulesSchema,
  Job: jobRecordSchema,
  JobCard: jobCardSchema,
  LogEntry: logEntrySchema,
  Measures: measuresSchema,
  Message: messageRecordSchema,
  Person: meSchema,
  Product: productSchema,
  Quote: quoteRecordSchema,
  QuoteOption: quoteOptionSchema,
  Site: siteRecordSchema,
  SiteForm: siteFormSchema,
  Unit: unitRecordSchema,
  UnitForm: unitFormSchema,
  Visit: visitSchema,
}))
  shapes.add(schema, { id })
const making = { schemaRegistry: shapes, zodToJsonConfig: { override: asRead } }
const asJsonSchema = createJsonSchemaTransform(making)
const withShapes = createJsonSchemaTransformObject(making)

type Transform = typeof asJsonSchema
/** The schemas as JSON Schema; of pages and files nothing is said. */
const described: Transform = (document) => {
  if (!document.url.startsWith('/api/')) return { url: document.url, schema: { hide: true } }
  const { schema, url } = asJsonSchema(document)
  const { consumes, body, response } = schema as FastifySchema & { consumes?: string[]; response?: Record<string, object> }
  const isSilent = Object.keys(response ?? {}).every((status) => status === 'default')
  return {
    url,
    schema: {
      ...schema,
      // A file has no schema: it is said to be there.
      ...(consumes && !body ? { body: {} } : {}),
      ...(isSilent ? { response: { ...response, 204: { description: 'Done.', type: 'null' } } } : {}),
    },
  }
}

/** The whole document, in which every field says what it is: shapes by their names, the rest by the endpoint. */
const inWords: typeof withShapes = (made) => {
  const { paths = {}, components, ...rest } = withShapes(made) as Document
  const each = <T>(all: Record<string, T>, say: (own: T, name: string) => T) =>
    Object.fromEntries(Object.entries(all).map(([name, own]) => [name, say(own, name)]))
  return {
    ...rest,
    components: { ...components, schemas: each(components?.schemas ?? {}, describeFields) },
    paths: each(paths, (methods) => each(methods, (own) => asked(describeFields(own, own.operationId)))),
  } as ReturnType<typeof withShapes>
}
interface Operation {
  readonly operationId: string
  readonly parameters?: readonly { readonly name: string }[]
}
interface Document {
  readonly paths?: Record<string, Record<string, Operation>>
  readonly components?: { readonly schemas?: Record<string, object> }
}
/** What stands in the address is no property of anything: it is described as if it were. */
const asked = (own: Operation): Operation => ({
  ...own,
  ...(own.parameters
    ? {
        parameters: own.parameters.map((parameter) => ({
          ...describeFields({ properties: { [parameter.name]: parameter } }, own.operationId).properties[parameter.name],
        })),
      }
    : {}),
})

/** Describes whatever is declared from now on. @param secure whether cookies are for TLS only */
export async function describeRoutes(app: FastifyInstance, secure: boolean): Promise<void> {
  await app.register(swagger, {
    openapi: {
      openapi: '3.1.1',
      info: { title: 'Yastik', version: '1', description: about },
      components: {
        securitySchemes: { session: { type: 'apiKey', in: 'cookie', name: cookieName(secure) }, token: { type: 'http', scheme: 'bearer' } },
      },
    },
    transform: described,
    transformObject: inWords,
  })
}
