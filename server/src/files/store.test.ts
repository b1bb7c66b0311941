import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { startObjectStore, type ObjectStore } from '@yastik/stand-ins/objects'
import { storeAt } from './place.ts'
import type { FileStore } from './store.ts'

let folder: string
let objects: ObjectStore
const key = { AWS_ACCESS_KEY_ID: 'our-key', AWS_SECRET_ACCESS_KEY: 'our secret', AWS_REGION: 'local' }
beforeAll(async () => {
  folder = mkdtempSync(join(tmpdir(), 'yastik-store-'))
  objects = await startObjectStore({ accessKeyId: key.AWS_ACCESS_KEY_ID, pageSize: 2 })
  Object.assign(process.env, key)
})
afterAll(async () => {
  for (const name of Object.keys(key)) Reflect.deleteProperty(process.env, name)
  await objects.close()
  rmSync(folder, { recursive: true, force: true })
})
const listed = async (store: FileStore) => {
  const keys: string[] = []
  for await (const own of store.list()) {
    expect(Math.abs(own.writtenMs - Date.now())).toBeLessThan(60_000)
    keys.push(own.key)
  }
  return keys.sort()
}

// Whatever is behind the interface, it does the same.
describe.each<[string, () => Promise<FileStore>]>([
  ['a folder', () => storeAt(join(folder, 'files'))],
  ['a bucket', () => storeAt('s3://pictures', objects.endpoint)],
  ['a part of a bucket', () => storeAt('s3://shared/yastik/here', objects.endpoint)],
])('files in %s', (_, open) => {
  let store: FileStore
  beforeAll(async () => {
    store = await open()
  })
  const bytes = Buffer.from([0, 255, 10, 13, 128, 0])
  it('are there as they were put, put anew, and gone where they were taken away', async () => {
    expect(await store.get('1/a.jpeg')).toBeUndefined()
    await store.put('1/a.jpeg', bytes)
    expect(await store.get('1/a.jpeg')).toEqual(bytes)
    await store.put('1/a.jpeg', Buffer.from('other'))
    expect((await store.get('1/a.jpeg'))?.toString()).toBe('other')
    await store.remove('1/a.jpeg')
    await store.remove('1/a.jpeg')
    expect(await store.get('1/a.jpeg')).toBeUndefined()
  })
  it('are listed, all of them', async () => {
    expect(await listed(store)).toEqual([])
    const keys = ['1/a.jpeg', '1/a-small.webp', '2/b.png', '2/b-small.webp', '3/c.webp']
    for (const own of keys) await store.put(own, bytes)
    expect(await listed(store)).toEqual([...keys].sort())
    for (const own of keys) await store.remove(own)
  })
  it('have keys of ours alone', async () => {
    for (const own of ['../out.jpeg', '1/../../out.jpeg', '/out.jpeg', 'out', '1/a b.jpeg', ''])
      await expect((async () => store.put(own, bytes))()).rejects.toThrow('is no key of a file')
  })
  it('can be tried out, and nothing is left of it', async () => {
    await store.check()
    expect(await listed(store)).toEqual([])
  })
})

describe('a place', () => {
  it('that keeps nothing says so', async () => {
    writeFileSync(join(folder, 'no-folder'), '')
    await expect((await storeAt(join(folder, 'no-folder'))).check()).rejects.toThrow()
    process.env.AWS_ACCESS_KEY_ID = 'another-key'
    await expect((await storeAt('s3://pictures', objects.endpoint)).check()).rejects.toThrow('InvalidAccessKeyId')
    process.env.AWS_ACCESS_KEY_ID = key.AWS_ACCESS_KEY_ID
  })
  it('keeps what is of others apart', async () => {
    const own = await storeAt('s3://shared/yastik/here', objects.endpoint)
    await own.put('1/a.jpeg', Buffer.from('ours'))
    expect([...objects.objects.keys()]).toEqual(['shared/yastik/here/1/a.jpeg'])
    await own.remove('1/a.jpeg')
  })
  it.each(['s3://', 's3://A', 's3:///x', 's3://a_b/c'])('is not called %s', (place) =>
    expect(storeAt(place)).rejects.toThrow(`YASTIK_FILES is ${place}; allowed: a folder, or s3://bucket/prefix`),
  )
})
