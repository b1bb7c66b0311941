// What may wait until the eye has its answer: a tap is painted first, what follows from it comes right after.
import { onScopeDispose, ref, type Ref } from 'vue'

/** Runs `work` once the page was painted with what changed meanwhile. @returns a way to call it off */
export function afterPaint(work: () => void): () => void {
  let timer: ReturnType<typeof setTimeout> | undefined
  const run = () => {
    timer = setTimeout(work)
  }
  // A page that nobody sees is not painted.
  if (document.visibilityState !== 'visible') {
    run()
    return () => clearTimeout(timer)
  }
  const frame = requestAnimationFrame(run)
  return () => {
    cancelAnimationFrame(frame)
    clearTimeout(timer)
  }
}

/** False until the view was painted for the first time: for what stands further down. */
export function usePainted(): Ref<boolean> {
  const painted = ref(false)
  onScopeDispose(afterPaint(() => (painted.value = true)))
  return painted
}
