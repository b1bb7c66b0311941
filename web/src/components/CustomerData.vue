<script setup lang="ts">
// What is kept of a customer: taken out for them, or erased where they ask for it.
import { addressOf, endpoints, type SiteRecord } from '@yastik/core/wire'
import { ref } from 'vue'
import { ask } from '../api/client.ts'
import { useDoing } from '../api/useServer.ts'
import FaultNote from '../kit/FaultNote.vue'
import Tap from '../kit/Tap.vue'

const props = defineProps<{ site: SiteRecord }>()
const emit = defineEmits<{ erased: [site: SiteRecord] }>()
const sure = ref(false)
const { busy, error, run } = useDoing()

const erase = () =>
  run(async () => {
    const { id, version } = props.site
    emit('erased', await ask(endpoints.eraseCustomer, { params: { id }, body: { version } }))
    sure.value = false
  })
</script>

<template>
  <section class="stack ruled-top" data-customer>
    <h2>What is kept of this customer</h2>
    <FaultNote :error="error" />
    <div class="row">
      <Tap :href="addressOf(endpoints.customerData, { params: { id: site.id } })" download data-take-out>All of it, as a file</Tap>
      <Tap v-if="!sure" data-erase @click="sure = true">Erase it</Tap>
      <template v-else>
        <p class="says">
          Name, address, contact, photographs, messages, signatures and notes go for good. Grades, readings and prices stay, without a name.
          Telephones forget it when they next fetch the visit.
        </p>
        <Tap now :disabled="busy" data-erase-sure @click="erase">{{ busy ? 'Erasing …' : 'Yes, erase this customer' }}</Tap>
        <Tap @click="sure = false">Leave it</Tap>
      </template>
    </div>
  </section>
</template>

<style scoped>
.says {
  flex: 1 1 24rem;
}
</style>
