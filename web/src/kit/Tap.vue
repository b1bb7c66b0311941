<script setup lang="ts">
// A button: a ruled box. The one with the accent is what to do now; one with an address leads there; one that is `pressed` or not stays so.
import { ElButton } from 'element-plus/es/components/button/index'
import { computed } from 'vue'
import { RouterLink, type RouteLocationRaw } from 'vue-router'

const props = withDefaults(
  defineProps<{
    /** What to do now: one on a screen, or one in a form. */
    now?: boolean
    /** Readable at arm's length. */
    big?: boolean
    /** Without its box, where many stand in a row. */
    bare?: boolean
    small?: boolean
    /** Where it leads: then it is a link. */
    to?: RouteLocationRaw
    /** A file that it fetches. */
    href?: string
    /** Whether what it stands for holds; undefined where it stands for nothing that could. */
    pressed?: boolean | undefined
    /** While something else is under way. */
    disabled?: boolean
    /** Why it cannot be tapped now, said on it; nothing where it can. */
    off?: string
    type?: 'button' | 'submit'
  }>(),
  { type: 'button', pressed: undefined, off: undefined, to: undefined, href: undefined },
)
const link = computed(() => {
  if (props.to !== undefined) return { tag: RouterLink, to: props.to }
  return props.href === undefined ? {} : { tag: 'a', href: props.href }
})
</script>

<template>
  <ElButton
    v-bind="link"
    class="tap"
    :class="{ now, big, bare, small }"
    :native-type="type"
    :disabled="disabled || (off !== undefined && off !== '')"
    :aria-pressed="pressed"
    :auto-insert-space="false"
  >
    <slot /><small v-if="off" class="off">{{ off }}</small>
  </ElButton>
</template>
