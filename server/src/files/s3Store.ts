// Files in a bucket of a store that speaks S3. An object is there whole or not at all; who may do so, the environment says as the SDK reads it.
import { DeleteObjectCommand, GetObjectCommand, NoSuchKey, paginateListObjectsV2, PutObjectCommand, S3Client } from '@aws-sdk/client-s3'
import { checkedKey, tryOut, type FileStore } from './store.ts'

export interface Bucket {
  readonly bucket: string
  /** Before every key; empty, or ending in a slash. */
  readonly prefix: string
  /** Of a store that has an address of its own; its buckets stand in the path. */
  readonly endpoint?: string
}

export function s3Store({ bucket: Bucket, prefix, endpoint }: Bucket): FileStore {
  const client = new S3Client({
    // Stores of others know neither its checksums nor names of buckets as hosts.
    ...(endpoint ? { endpoint, forcePathStyle: true, region: process.env.AWS_REGION ?? 'local' } : {}),
    requestChecksumCalculation: 'WHEN_REQUIRED',
    responseChecksumValidation: 'WHEN_REQUIRED',
  })
  const at = (key: string) => ({ Bucket, Key: prefix + checkedKey(key) })
  const put = async (key: string, bytes: Uint8Array) => void (await client.send(new PutObjectCommand({ ...at(key), Body: bytes })))
  const remove = async (key: string) => void (await client.send(new DeleteObjectCommand(at(key))))
  return {
    put,
    remove,
    check: () => tryOut({ put, remove }),
    async get(key) {
      try {
        const { Body } = await client.send(new GetObjectCommand(at(key)))
        return Body && Buffer.from(await Body.transformToByteArray())
      } catch (error) {
        if (error instanceof NoSuchKey) return undefined
        throw error
      }
    },
    async *list() {
      for await (const { Contents = [] } of paginateListObjectsV2({ client }, { Bucket, Prefix: prefix }))
        for (const { Key = '', LastModified } of Contents) yield { key: Key.slice(prefix.length), writtenMs: LastModified?.getTime() ?? 0 }
    },
  }
}
