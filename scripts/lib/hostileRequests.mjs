// What would somebody send who means ill, or whose program is broken? Requests over the endpoints of the server's own description: some that hold up,
// most of them bent in one or a few places.

/** Stands in whatever belongs to a firm. */
export const marker = (firm) => `mark-of-${firm}`

const longText = 'x'.repeat(70_000)
const oddTexts = [
  '',
  ' ',
  '\u0000',
  'a\u0000b',
  '\ud800',
  '☂️👩‍👩‍👧‍👦',
  '\u202eevil',
  "' OR '1'='1",
  "'; DROP TABLE users; --",
  '" UNION SELECT password_hash FROM users -- ',
  '\\',
  '%',
  '_',
  '../../../../etc/passwd',
  '..%2f..%2fetc%2fpasswd',
  '${7*7}',
  '{{constructor.constructor("return process")()}}',
  '<script>alert(1)</script>',
  '__proto__',
  'constructor',
  'null',
  'undefined',
  'NaN',
  '1e999',
  '-1',
  '0000-00-00',
  '9999-12-31',
  '2026-02-30',
  longText,
]
const oddNumbers = [0, -0, -1, 1.5, 1e21, -1e21, 2 ** 53, 2 ** 31, -(2 ** 31), 1e-320, 255, 65_536]
const deep = (levels) => '['.repeat(levels) + ']'.repeat(levels)
const oddTypes = [
  'application/json',
  'text/plain',
  'application/xml',
  'image/png',
  'application/vnd.yastik.bundle+json',
  'multipart/form-data',
  '',
  'application/json; charset=utf-16',
]
const oddMethods = ['GET', 'POST', 'PUT', 'DELETE', 'PATCH', 'OPTIONS', 'HEAD', 'TRACE', 'PROPFIND']

/** @param document OpenAPI @param ids of both firms @param senders headers of each @param random 0 to 1 */
export function* hostileRequests({ document, ids, senders, base, random }) {
  const pick = (list) => list[Math.floor(random() * list.length)]
  const chance = (share) => random() < share
  const uuid = () => 'xxxxxxxx-xxxx-7xxx-axxx-xxxxxxxxxxxx'.replace(/x/g, () => Math.floor(random() * 16).toString(16))
  const schemas = document.components.schemas
  const resolved = (schema) => (schema?.$ref ? schemas[schema.$ref.split('/').at(-1)] : (schema ?? {}))
  const anyId = () => pick([...Object.values(ids.ours), ...Object.values(ids.theirs), uuid()])
  /** Something that a schema allows, more or less. */
  function sample(given, level = 0) {
    const schema = resolved(given)
    if (schema.const !== undefined) return schema.const
    if (schema.enum) return pick(schema.enum)
    const choices = schema.anyOf ?? schema.oneOf
    if (choices) return sample(pick(choices), level)
    const type = Array.isArray(schema.type) ? pick(schema.type) : schema.type
    if (type === 'object' || schema.properties) {
      const names = Object.keys(schema.properties ?? {}).filter((name) => schema.required?.includes(name) || (level < 5 && chance(0.4)))
      return Object.fromEntries(names.map((name) => [name, sample(schema.properties[name], level + 1)]))
    }
    if (type === 'array') {
      const count = Math.min(schema.maxItems ?? 3, Math.max(schema.minItems ?? 0, Math.floor(random() * 3)))
      return Array.from({ length: count }, () => sample(schema.items ?? {}, level + 1))
    }
    if (type === 'boolean') return chance(0.5)
    if (type === 'integer' || type === 'number') {
      const [least, most] = [Math.max(schema.minimum ?? 0, -1e6), Math.min(schema.maximum ?? 100, 1e6)]
      const value = least + (most - least) * random()
      return type === 'integer' ? Math.round(value) : value
    }
    if (schema.format === 'uuid') return anyId()
    if (schema.format === 'date') return `202${Math.floor(random() * 9)}-0${1 + Math.floor(random() * 9)}-1${Math.floor(random() * 10)}`
    if (schema.format === 'date-time') return new Date(1.7e12 + random() * 1e11).toISOString()
    if (type === 'null') return null
    const least = schema.minLength ?? 1
    return chance(0.2) ? pick(oddTexts) : 'some text of a person'.slice(0, Math.max(least, Math.floor(random() * 21)))
  }
  const odd = () =>
    pick([
      () => pick(oddTexts),
      () => pick(oddNumbers),
      () => null,
      () => true,
      () => [],
      () => ({}),
      () => [pick(oddTexts), pick(oddNumbers)],
      () => JSON.parse(`{"__proto__":{"isOwner":true},"constructor":{"prototype":{"x":1}}}`),
      () => anyId(),
    ])()
  /** The same with one place bent. */
  function bent(value) {
    if (value === null || typeof value !== 'object' || chance(0.15)) return odd()
    if (Array.isArray(value)) {
      if (value.length === 0 || chance(0.2)) return chance(0.5) ? [...value, odd()] : Array.from({ length: 300 }, () => odd())
      const at = Math.floor(random() * value.length)
      return value.map((entry, index) => (index === at ? bent(entry) : entry))
    }
    const names = Object.keys(value)
    if (names.length === 0 || chance(0.15))
      return { ...value, [pick(['__proto__', 'constructor', 'toString', 'more', 'version', 'firmId', 'id', 'role'])]: odd() }
    const name = pick(names)
    if (chance(0.15)) return Object.fromEntries(Object.entries(value).filter(([other]) => other !== name))
    return { ...value, [name]: bent(value[name]) }
  }

  const operations = Object.entries(document.paths).flatMap(([path, methods]) =>
    Object.entries(methods).map(([method, operation]) => ({ path, method: method.toUpperCase(), operation })),
  )
  /** Ends sessions or firms: seldom, or all else is turned down. */
  const isEnding = ({ operationId }) =>
    [
      'signOut',
      'endSessions',
      'endSession',
      'changePassword',
      'endToken',
      'savePerson',
      'resetPerson',
      'saveSecurity',
      'confirmSecondFactor',
      'beginSecondFactor',
    ].includes(operationId)
  for (;;) {
    const { path: pattern, method: declared, operation } = pick(operations)
    const [sender, headers] = pick(Object.entries(senders))
    if (isEnding(operation) && (sender === 'technician' || sender === 'owner' || sender === 'program') && !chance(0.0005)) continue
    // Passwords are hashed on purpose slowly.
    if (['signIn', 'useCode'].includes(operation.operationId) && !chance(0.15)) continue
    const idOf = (name) => {
      if (chance(0.1)) return encodeURIComponent(pick(oddTexts).slice(0, 2000).toWellFormed())
      if (chance(0.05)) return pick(['..', '%2e%2e', '%00', '%ff', '%', ';', '*', '?'])
      const kind = name === 'unitId' ? 'unit' : pattern.split('/')[2].replace(/s$/, '').replace('people', 'person')
      const own = pick([ids.ours, ids.ours, ids.theirs])[kind]
      return own ?? (chance(0.5) ? anyId() : uuid())
    }
    let path = pattern.replace(/\{(\w+)\}/g, (_, name) => String(idOf(name)))
    const query = (operation.parameters ?? []).filter(({ in: where, required }) => where === 'query' && (required || chance(0.5)))
    const asks = query.map(({ name, schema }) => {
      const value = chance(0.3) ? odd() : sample(schema)
      const text = String(typeof value === 'object' ? JSON.stringify(value) : value).slice(0, 3000)
      return `${encodeURIComponent(name)}=${chance(0.05) ? text.replace(/[^\x21-\x7e]/g, '') : encodeURIComponent(text.toWellFormed())}`
    })
    if (chance(0.05)) asks.push(pick(['__proto__[x]=1', 'a[]=1', 'after=~~~', 'x', '=', '&&', 'after=1~2~3']))
    if (asks.length > 0) path += `?${asks.join('&')}`
    if (chance(0.03))
      path = pick([
        (own) => `/${own}`,
        (own) => own.toUpperCase(),
        (own) => `${own}/`,
        (own) => own.replace('/api', '/%61pi'),
        (own) => `${base}${own}`,
      ])(path)
    const method = chance(0.05) ? pick(oddMethods) : declared
    const schema = operation.requestBody?.content?.['application/json']?.schema
    let type = chance(0.04) ? pick(oddTypes) : Object.keys(operation.requestBody?.content ?? {})[0]?.replace('*', 'png')
    let body
    if (method !== 'GET' && method !== 'HEAD' && (schema || operation.requestBody || chance(0.1))) {
      const content = schema ? (chance(0.25) ? sample(schema) : bent(chance(0.3) ? bent(sample(schema)) : sample(schema))) : odd()
      body = Buffer.from(typeof content === 'string' && !schema ? content.toWellFormed() : (JSON.stringify(content) ?? ''))
      if (chance(0.04)) body = body.subarray(0, Math.floor(body.length * random()))
      if (chance(0.02))
        body = Buffer.from(
          pick([deep(5000), '{"a":'.repeat(3000), '\ufeff{}', '[1,2', 'null', '0', '"x"', `{"a":${'9'.repeat(4000)}}`, `{"site":${deep(2000)}}`]),
        )
      if (chance(0.01)) body = Buffer.from(Array.from({ length: 400 }, () => Math.floor(random() * 256)))
      if (chance(0.002)) body = Buffer.alloc(5_000_000, 0x61)
      type ??= 'application/json'
    }
    const own = {
      host: new URL(base).host,
      ...headers,
      ...(chance(0.95) ? { origin: base } : { origin: pick(['https://elsewhere.test', 'null', 'x']) }),
      ...(type && body ? { 'content-type': type } : {}),
      ...(body ? { 'content-length': body.length } : {}),
      ...(chance(0.03) ? { 'last-event-id': pick(['-1', 'x', '99999999999999999999', '1.5']) } : {}),
      ...(chance(0.02) ? { 'accept-encoding': pick(['gzip', 'br', 'x', 'gzip;q=0']) } : {}),
      ...(chance(0.02) ? { 'x-forwarded-for': "1.2.3.4', '1", 'x-forwarded-proto': 'https' } : {}),
      ...(chance(0.02) ? { cookie: pick(['yastik_session=%', 'yastik_session=' + 'a'.repeat(5000), '=;=;', 'a=b; yastik_session']) } : {}),
      ...(chance(0.01) ? { authorization: pick(['Bearer', 'Bearer ' + 'a'.repeat(300), 'Basic x', "Bearer '; DROP TABLE tokens"]) } : {}),
    }
    yield { sender, method, path, headers: own, body }
  }
}
