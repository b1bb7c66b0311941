// Which keys do what in the view that is open? Views name theirs; `?` shows them.
import { onBeforeUnmount, onMounted, shallowReactive } from 'vue'

export interface KeyAction {
  /** As it is shown; also the key itself, where `keys` names none. */
  readonly key: string
  readonly keys?: readonly string[]
  readonly does: string
  readonly run: (key: string) => void
}

/** Actions of the open views, newest view last. */
export const openKeys = shallowReactive<KeyAction[]>([])

/** Keys that boxes and choices take for themselves; every other one is the view's. */
const ownKeys: Readonly<Record<string, readonly string[]>> = { checkbox: [' '], radio: [' ', 'ArrowUp', 'ArrowDown', 'ArrowLeft', 'ArrowRight'] }
function isTyping(target: EventTarget | null, key: string): boolean {
  if (target instanceof HTMLInputElement && target.type in ownKeys) return ownKeys[target.type].includes(key)
  return target instanceof HTMLElement && (target.isContentEditable || ['INPUT', 'TEXTAREA', 'SELECT'].includes(target.tagName))
}

/** What Enter presses by itself when it has the focus. */
const actsOnEnter = (target: EventTarget | null) => target instanceof Element && target.closest('button, a, summary, [role="button"]') !== null

/** Names the keys of a view for as long as it is open. */
export function useKeys(actions: readonly KeyAction[]): void {
  const onKey = (event: KeyboardEvent) => {
    if (isTyping(event.target, event.key) || event.ctrlKey || event.metaKey || event.altKey || event.defaultPrevented) return
    const action = actions.find(({ key, keys = [key] }) => keys.includes(event.key))
    if (!action || (event.key === 'Enter' && actsOnEnter(event.target))) return
    event.preventDefault()
    action.run(event.key)
  }
  onMounted(() => {
    openKeys.push(...actions)
    window.addEventListener('keydown', onKey)
  })
  onBeforeUnmount(() => {
    for (const action of actions) openKeys.splice(openKeys.indexOf(action), 1)
    window.removeEventListener('keydown', onKey)
  })
}
