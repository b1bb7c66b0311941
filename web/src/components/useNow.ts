// What time is it, once a second, for as long as somebody looks?
import { onBeforeUnmount, ref, type Ref } from 'vue'

export function useNow(): Ref<number> {
  const now = ref(Date.now())
  const timer = setInterval(() => (now.value = Date.now()), 1000)
  onBeforeUnmount(() => clearInterval(timer))
  return now
}
