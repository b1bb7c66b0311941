<script setup lang="ts">
// In which light this screen stands.
import Choice from '../kit/Choice.vue'
import Dialog from '../kit/Dialog.vue'
import { optionsOf } from '../kit/option.ts'
import { lights, useLight, type Light } from '../measures/useLight.ts'

const isOpen = defineModel<boolean>({ required: true })
const light = useLight()
const words: Record<Light, string> = { device: 'as this device is set', paper: 'paper', outdoor: 'in the sun', cellar: 'in a cellar' }
</script>

<template>
  <Dialog v-model="isOpen" title="Light" width="28rem">
    <div class="stack">
      <Choice v-model="light" label="Light" mark="set-light" :options="optionsOf(lights, (name) => words[name])" />
      <p class="small">For this device alone.</p>
    </div>
  </Dialog>
</template>
