// Which store does the environment name? A folder by its path, or a bucket as `s3://bucket/prefix`.
import { folderStore } from './folderStore.ts'
import type { FileStore } from './store.ts'

const ofBucket = /^s3:\/\/([a-z0-9][a-z0-9.-]{1,61}[a-z0-9])(?:\/(.*))?$/

/**
 * @param place path of a folder, or `s3://bucket/prefix`
 * @param endpoint address of a store that has one of its own
 * @throws Error for a place that is neither
 */
export async function storeAt(place: string, endpoint?: string): Promise<FileStore> {
  if (!place.startsWith('s3://')) return folderStore(place)
  const [whole, bucket, path = ''] = ofBucket.exec(place) ?? []
  if (whole === undefined) throw new Error(`YASTIK_FILES is ${place}; allowed: a folder, or s3://bucket/prefix`)
  // Loaded by whoever needs it alone.
  const { s3Store } = await import('./s3Store.ts')
  const prefix = path === '' || path.endsWith('/') ? path : `${path}/`
  return s3Store({ bucket, prefix, ...(endpoint ? { endpoint } : {}) })
}
