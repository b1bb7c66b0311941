/** @jest-environment jsdom */
import { forgetRecents, noteRecent, recents } from './recent.ts'

beforeEach(() => localStorage.clear())
const entry = (to: string) => ({ to, says: `Site ${to}`, where: '' })

describe('what was opened last', () => {
  it('is kept newest first, each once, and no more than a few', () => {
    for (const to of ['/a', '/b', '/c', '/a', '/d', '/e', '/f', '/g']) noteRecent(entry(to))
    expect(recents().map(({ to }) => to)).toEqual(['/g', '/f', '/e', '/d', '/a', '/c'])
  })
  it('is gone with who signs out', () => {
    noteRecent(entry('/a'))
    forgetRecents()
    expect(recents()).toEqual([])
  })
  it.each(['no JSON', '{}', '[1, null, {"to": 3}]'])('is nothing where it cannot be read: %s', (kept) => {
    localStorage.setItem('yastik-recent', kept)
    expect(recents()).toEqual([])
  })
})
