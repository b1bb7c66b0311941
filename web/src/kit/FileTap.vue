<script setup lang="ts">
// A button that lets a person choose files; how the browser draws such a field is nobody's look.
defineProps<{ name: string; accept: string; disabled?: boolean; /** Opens the camera where there is one. */ camera?: boolean }>()
const emit = defineEmits<{ files: [files: File[]] }>()

function take(event: Event) {
  const input = event.target as HTMLInputElement
  const files = [...(input.files ?? [])]
  // The same file may be chosen again.
  input.value = ''
  if (files.length > 0) emit('files', files)
}
</script>

<template>
  <label class="tap file-tap" :class="{ 'is-disabled': disabled }">
    <input type="file" class="file" :name="name" :accept="accept" :disabled="disabled" :capture="camera ? 'environment' : undefined" @change="take" />
    <slot />
  </label>
</template>

<style scoped>
.file-tap {
  align-self: flex-start;
}
.file-tap:focus-within {
  outline: 3px solid var(--now);
  outline-offset: 2px;
}
.file {
  position: absolute;
  width: 1px;
  height: 1px;
  opacity: 0;
}
</style>
