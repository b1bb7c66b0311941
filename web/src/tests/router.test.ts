// The router and the server know the same addresses.
import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { isPage, pagePaths } from '@yastik/core/wire'

const frame = '/jobs/:jobId/:unitId'
/** As the router writes them; the frame of a job is no view by itself, and the kit is there while one develops. */
const routed = [...readFileSync(join(process.cwd(), 'web/src/router.ts'), 'utf8').matchAll(/path: '([^']*)'/g)]
  .map(([, path]) => (path.startsWith('/') ? path : `${frame}/${path}`))
  .filter((path) => !path.includes('(.*)') && path !== frame && path !== '/kit')

describe('the addresses of the interface', () => {
  it('are the same for the server, which says 404 elsewhere', () => expect([...routed].sort()).toEqual([...pagePaths].sort()))
  it.each([
    ['/', true],
    ['/sites/', true],
    ['/sites/12', true],
    ['/jobs/1/2/method', true],
    ['/jobs/1/2', false],
    ['/jobs/1/2/method/more', false],
    ['/admin', false],
    ['/sitesx', false],
    ['', false],
  ])('%s: %p', (path, is) => expect(isPage(path)).toBe(is))
})
