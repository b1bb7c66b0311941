<script setup lang="ts">
// In which light this screen stands.
import Choice from '../kit/Choice.vue'
import Dialog from '../kit/Dialog.vue'
import { optionsOf } from '../kit/option.ts'
import { lights, useLight, type Light } from '../measures/useLight.ts'
import { t } from '../words/words.ts'

const isOpen = defineModel<boolean>({ required: true })
const light = useLight()
const words: Record<Light, string> = {
  device: t('screen.frame.device-set'),
  paper: t('screen.frame.paper'),
  outdoor: t('screen.frame.sun'),
  cellar: t('screen.frame.cellar'),
}
</script>

<template>
  <Dialog v-model="isOpen" :title="t('screen.frame.light')" width="28rem">
    <div class="stack">
      <Choice v-model="light" :label="t('screen.frame.light')" mark="set-light" :options="optionsOf(lights, (name) => words[name])" />
      <p class="small">{{ t('screen.frame.device-alone') }}</p>
    </div>
  </Dialog>
</template>
