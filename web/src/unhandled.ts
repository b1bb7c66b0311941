// What happens to an error that nobody handled? The person is told, and may load the page anew; what waits on the device stays.
import { shallowRef } from 'vue'
import type { App } from 'vue'

/** The last of them. */
export const unhandled = shallowRef<Error>()
/** Whether a newer version of the pages is in place than the one that runs. */
export const isNewerReady = shallowRef(false)

/** A browser says this of itself where sizes settle in more than one turn: nothing failed. */
const isHarmless = (message: string) => message.startsWith('ResizeObserver loop')
function tell(reason: unknown): void {
  const error = reason instanceof Error ? reason : new Error(String(reason))
  if (isHarmless(error.message)) return
  console.error(error)
  unhandled.value = error
}

/** Hears of errors in views, in what they started, and everywhere else on the page. */
export function tellUnhandled(app: App): void {
  app.config.errorHandler = tell
  addEventListener('error', ({ error, message }: ErrorEvent) => tell(error ?? message))
  addEventListener('unhandledrejection', ({ reason }: PromiseRejectionEvent) => tell(reason))
  // The first worker takes over a page of its own version; one that replaces another is of a newer one.
  const before = navigator.serviceWorker?.controller
  navigator.serviceWorker?.addEventListener('controllerchange', () => (isNewerReady.value = before !== null))
}
