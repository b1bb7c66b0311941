// What time is it by the server's clock, once a second, for as long as somebody looks? Right again as soon as a phone wakes.
import { onBeforeUnmount, ref, type Ref } from 'vue'
import { serverNow } from '../api/clock.ts'

export function useNow(): Ref<number> {
  const now = ref(serverNow())
  const look = () => (now.value = serverNow())
  const timer = setInterval(look, 1000)
  document.addEventListener('visibilitychange', look)
  onBeforeUnmount(() => {
    clearInterval(timer)
    document.removeEventListener('visibilitychange', look)
  })
  return now
}
