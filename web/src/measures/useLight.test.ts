/** @jest-environment jsdom */
import type { EffectScope, Ref } from 'vue'
import type { Light } from './useLight.ts'

/** A device that asks every page for something, and may change its mind. */
const device = new Map<string, { matches: boolean; tell: Set<() => void> }>()
const preferences = { dark: '(prefers-color-scheme: dark)', contrast: '(prefers-contrast: more)' }
function ask(query: string, matches: boolean) {
  const own = device.get(query) ?? { matches, tell: new Set() }
  own.matches = matches
  device.set(query, own)
  for (const tell of own.tell) tell()
}
let scope: EffectScope
let vue: typeof import('vue')
async function open(): Promise<Ref<Light>> {
  jest.resetModules()
  vue = await import('vue')
  const { effectScope } = vue
  const { useLight } = await import('./useLight.ts')
  scope = effectScope()
  return scope.run(useLight) as Ref<Light>
}
const shown = async () => {
  await vue.nextTick()
  return document.documentElement.dataset.light
}
beforeEach(() => {
  localStorage.clear()
  device.clear()
  for (const query of Object.values(preferences)) ask(query, false)
  window.matchMedia = ((query: string) => {
    const own = device.get(query)
    return {
      get matches() {
        return own?.matches ?? false
      },
      addEventListener: (_: string, tell: () => void) => own?.tell.add(tell),
      removeEventListener: (_: string, tell: () => void) => own?.tell.delete(tell),
    }
  }) as unknown as typeof matchMedia
})
afterEach(() => scope.stop())

describe('light', () => {
  it.each<[Partial<Record<keyof typeof preferences, boolean>>, string]>([
    [{}, 'paper'],
    [{ dark: true }, 'cellar'],
    [{ contrast: true }, 'outdoor'],
    [{ dark: true, contrast: true }, 'cellar'],
  ])('of a device that asks for %j is %s', async (asks, light) => {
    for (const [name, value] of Object.entries(asks)) ask(preferences[name as keyof typeof preferences], value)
    await open()
    expect(await shown()).toBe(light)
  })
  it('follows the device when it turns dark', async () => {
    await open()
    expect(await shown()).toBe('paper')
    ask(preferences.dark, true)
    expect(await shown()).toBe('cellar')
  })
  it('is as somebody chose, whatever the device asks, also the next time', async () => {
    ask(preferences.dark, true)
    const light = await open()
    light.value = 'outdoor'
    expect(await shown()).toBe('outdoor')
    scope.stop()
    document.documentElement.dataset.light = ''
    await open()
    expect(await shown()).toBe('outdoor')
  })
  it('is the device’s where what was kept is no light', async () => {
    localStorage.setItem('yastik-light', 'neon')
    await open()
    expect(await shown()).toBe('paper')
  })
})
