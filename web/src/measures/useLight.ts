// In which light does this screen stand: on paper, in the sun, in a cellar; or as the device is set?
import { onScopeDispose, ref, watchEffect, type Ref } from 'vue'

export const lights = ['device', 'paper', 'outdoor', 'cellar'] as const
/** As somebody chose; `device` follows what the device asks of every page. */
export type Light = (typeof lights)[number]

const key = 'yastik-light'
const isLight = (name: string | null): name is Light => lights.some((light) => light === name)
const kept = localStorage.getItem(key)
const chosen = ref<Light>(isLight(kept) ? kept : 'device')

/** The choice, to be read and set; kept on this device. */
export function useLight(): Ref<Light> {
  const [dark, contrast] = [matchMedia('(prefers-color-scheme: dark)'), matchMedia('(prefers-contrast: more)')]
  const asks = ref(0)
  const again = () => asks.value++
  for (const query of [dark, contrast]) query.addEventListener('change', again)
  onScopeDispose(() => {
    for (const query of [dark, contrast]) query.removeEventListener('change', again)
  })
  watchEffect(() => {
    void asks.value
    const device = dark.matches ? 'cellar' : contrast.matches ? 'outdoor' : 'paper'
    document.documentElement.dataset.light = chosen.value === 'device' ? device : chosen.value
    localStorage.setItem(key, chosen.value)
  })
  return chosen
}
