<script setup lang="ts">
// What is kept of a customer: taken out for them, or erased where they ask for it.
import { addressOf, endpoints, type SiteRecord } from '@yastik/core/wire'
import { ref } from 'vue'
import { ask } from '../api/client.ts'
import { useDoing } from '../api/useServer.ts'
import FaultNote from '../kit/FaultNote.vue'
import Tap from '../kit/Tap.vue'
import { t } from '../words/words.ts'

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
    <h2>{{ t('screen.sites.kept-customer') }}</h2>
    <FaultNote :error="error" />
    <div class="row">
      <Tap :href="addressOf(endpoints.customerData, { params: { id: site.id } })" download data-take-out>{{ t('screen.sites.all-file') }}</Tap>
      <Tap v-if="!sure" data-erase @click="sure = true">{{ t('screen.sites.erase') }}</Tap>
      <template v-else>
        <p class="says">
          {{ t('screen.sites.name-address-contact-photographs-messages') }}
        </p>
        <Tap now :disabled="busy" data-erase-sure @click="erase">{{ busy ? t('screen.sites.erasing') : t('screen.sites.yes-erase-customer') }}</Tap>
        <Tap @click="sure = false">{{ t('screen.sites.leave') }}</Tap>
      </template>
    </div>
  </section>
</template>

<style scoped>
.says {
  flex: 1 1 24rem;
}
</style>
