<script setup lang="ts">
// A text as a picture that a telephone reads (QR code), drawn here: nothing of it leaves the page.
import qrcode from 'qrcode-generator'
import { computed } from 'vue'

const props = defineProps<{ text: string; says: string }>()
/** Quiet cells around, as readers ask for. */
const quiet = 4
const drawn = computed(() => {
  const code = qrcode(0, 'M')
  code.addData(props.text)
  code.make()
  const count = code.getModuleCount()
  const cells = Array.from({ length: count * count }, (_, at) => ({ row: Math.floor(at / count), column: at % count }))
  const path = cells
    .filter(({ row, column }) => code.isDark(row, column))
    .map(({ row, column }) => `M${column + quiet} ${row + quiet}h1v1h-1z`)
    .join('')
  return { path, size: count + 2 * quiet }
})
</script>

<template>
  <svg :viewBox="`0 0 ${drawn.size} ${drawn.size}`" role="img" :aria-label="says" shape-rendering="crispEdges" data-qr>
    <rect :width="drawn.size" :height="drawn.size" fill="#fff" />
    <path :d="drawn.path" fill="#000" />
  </svg>
</template>

<style scoped>
svg {
  width: 13rem;
  max-width: 100%;
}
</style>
