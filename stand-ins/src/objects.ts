// An object store on loopback that speaks as much of S3 as the server asks of one: objects put, got, taken away and listed, for whoever signs with its key.
import { createHash } from 'node:crypto'
import { createServer, type IncomingMessage, type ServerResponse } from 'node:http'
import type { AddressInfo } from 'node:net'
import { buffer } from 'node:stream/consumers'

export interface ObjectStore {
  readonly endpoint: string
  /** What lies in it, by `bucket/key`. */
  readonly objects: ReadonlyMap<string, Buffer>
  close(): Promise<void>
}
export interface ObjectStoreOptions {
  /** Whoever signs with another key is turned down. */
  readonly accessKeyId: string
  /** Objects on a page of a list: few, so that one has to turn pages. */
  readonly pageSize?: number
}

interface Stored {
  readonly bytes: Buffer
  readonly writtenAt: Date
}
const escaped = (text: string) => text.replaceAll('&', '&amp;').replaceAll('<', '&lt;')
const xml = '<?xml version="1.0" encoding="UTF-8"?>'

function answer(response: ServerResponse, status: number, body: string | Buffer = '', headers: Record<string, string> = {}): void {
  response.writeHead(status, { 'content-length': String(Buffer.byteLength(body)), ...headers }).end(body)
}
const refuse = (response: ServerResponse, status: number, code: string) =>
  answer(response, status, `${xml}<Error><Code>${code}</Code><Message>${code}</Message></Error>`, { 'content-type': 'application/xml' })

/** Starts one on a free port. */
export async function startObjectStore({ accessKeyId, pageSize = 1000 }: ObjectStoreOptions): Promise<ObjectStore> {
  const stored = new Map<string, Stored>()
  function list(response: ServerResponse, bucket: string, query: URLSearchParams): void {
    const prefix = `${bucket}/${query.get('prefix') ?? ''}`
    const after = query.get('continuation-token') ?? ''
    const names = [...stored.keys()].filter((name) => name.startsWith(prefix) && name > after).sort()
    const page = names.slice(0, pageSize)
    const more = names.length > page.length
    const entries = page.map((name) => {
      const { bytes, writtenAt } = stored.get(name) ?? { bytes: Buffer.alloc(0), writtenAt: new Date(0) }
      const key = escaped(name.slice(bucket.length + 1))
      return `<Contents><Key>${key}</Key><LastModified>${writtenAt.toISOString()}</LastModified><Size>${bytes.length}</Size></Contents>`
    })
    const next = more ? `<NextContinuationToken>${escaped(page.at(-1) ?? '')}</NextContinuationToken>` : ''
    const body = `${xml}<ListBucketResult><IsTruncated>${more}</IsTruncated><KeyCount>${page.length}</KeyCount>${next}${entries.join('')}</ListBucketResult>`
    answer(response, 200, body, { 'content-type': 'application/xml' })
  }
  async function handle(request: IncomingMessage, response: ServerResponse): Promise<void> {
    const sent = await buffer(request)
    const { pathname, searchParams } = new URL(request.url ?? '/', 'http://store')
    const signedBy = /^AWS4-HMAC-SHA256 Credential=([^/]+)\//.exec(request.headers.authorization ?? '')?.[1]
    if (signedBy !== accessKeyId) return refuse(response, 403, 'InvalidAccessKeyId')
    const [bucket, ...rest] = decodeURIComponent(pathname).slice(1).split('/')
    const key = rest.join('/')
    const name = `${bucket}/${key}`
    const object = stored.get(name)
    const hash = request.headers['x-amz-content-sha256']
    switch (request.method) {
      case 'PUT':
        if (hash !== 'UNSIGNED-PAYLOAD' && hash !== createHash('sha256').update(sent).digest('hex'))
          return refuse(response, 400, 'XAmzContentSHA256Mismatch')
        stored.set(name, { bytes: sent, writtenAt: new Date() })
        return answer(response, 200, '', { etag: `"${createHash('md5').update(sent).digest('hex')}"` })
      case 'DELETE':
        stored.delete(name)
        return answer(response, 204)
      case 'GET':
        if (key === '') return list(response, bucket, searchParams)
        return object ? answer(response, 200, object.bytes, { 'last-modified': object.writtenAt.toUTCString() }) : refuse(response, 404, 'NoSuchKey')
      default:
        return refuse(response, 405, 'MethodNotAllowed')
    }
  }
  const server = createServer((request, response) => {
    void handle(request, response).catch(() => refuse(response, 500, 'InternalError'))
  })
  await new Promise<void>((done) => server.listen(0, '127.0.0.1', done))
  const { port } = server.address() as AddressInfo
  return {
    endpoint: `http://127.0.0.1:${port}`,
    get objects() {
      return new Map([...stored].map(([name, { bytes }]) => [name, bytes]))
    },
    close: () =>
      new Promise((done) => {
        server.closeAllConnections()
        server.close(() => done())
      }),
  }
}
