<script setup lang="ts">
// The firm's data, out and in: open formats, nothing held back.
import { counted } from '@yastik/core/quantities'
import { bundleMedia, endpoints, type BundleReceipt } from '@yastik/core/wire'
import { computed, ref, shallowRef } from 'vue'
import { sendFile } from '../api/client.ts'
import { useDoing } from '../api/useServer.ts'
import FaultNote from '../kit/FaultNote.vue'
import FileTap from '../kit/FileTap.vue'
import OneTimeCode from '../components/OneTimeCode.vue'
import RetentionForm from '../components/RetentionForm.vue'
import { useJob } from '../stores/job.ts'
import { useSession } from '../stores/session.ts'
import CalendarFeeds from '../transfer/CalendarFeeds.vue'
import CalendarImport from '../transfer/CalendarImport.vue'
import ImportsTaken from '../transfer/ImportsTaken.vue'
import TableImport from '../transfer/TableImport.vue'
import Tap from '../kit/Tap.vue'

useJob().close()
const session = useSession()
const isOwner = computed(() => session.me?.role === 'owner')
const outs = [
  { href: endpoints.sitesTable.path, name: 'Sites and units', says: 'CSV, one row per unit' },
  { href: endpoints.readingsTable.path, name: 'Readings', says: 'CSV, one row per reading' },
  { href: endpoints.calendar.path, name: 'Visits and due days', says: 'iCalendar; read it in again, and what moved moves' },
  { href: endpoints.photographs.path, name: 'Photographs', says: 'a zip with the pictures and a list' },
  { href: endpoints.bundle.path, name: 'Everything', says: 'one JSON bundle with a checksum; all but passwords and pictures' },
] as const
const taken = ref(0)
const { busy, error, run } = useDoing()
const receipt = shallowRef<BundleReceipt>()
const takeBundle = ([file]: File[]) =>
  run(async () => {
    receipt.value = undefined
    receipt.value = await sendFile(endpoints.takeBundle, {}, file.slice(0, file.size, bundleMedia))
  })
</script>

<template>
  <div class="page stack">
    <h1>Data, out and in</h1>
    <section class="stack">
      <h2>Out</h2>
      <p v-if="!isOwner" data-owner-takes-out>What leaves the house holds customers: the owner takes it out.</p>
      <ul v-else class="plain outs">
        <li v-for="{ href, name, says } in outs" :key="href">
          <Tap :href="href" download>{{ name }}</Tap> <small>{{ says }}</small>
        </li>
      </ul>
    </section>
    <CalendarFeeds :is-owner="isOwner" />
    <RetentionForm v-if="isOwner" />
    <TableImport :may-take-out="isOwner" @taken="taken++" />
    <CalendarImport @taken="taken++" />
    <ImportsTaken :taken="taken" />
    <section v-if="isOwner" class="stack" data-bundle-import>
      <h2>A whole firm from a bundle</h2>
      <p class="small">
        Into a firm that has no sites yet: all of it, or nothing. People who are not here yet get a code each, by which they set a password.
      </p>
      <FileTap name="bundle" accept=".json,application/json" :disabled="busy" @files="takeBundle">
        {{ busy ? 'Reading it in …' : 'Choose a bundle' }}
      </FileTap>
      <FaultNote :error="error" />
      <p v-if="receipt" role="status" data-bundle-taken>
        <b
          >{{ counted(receipt.sites, 'site') }}, {{ counted(receipt.units, 'unit') }}, {{ counted(receipt.jobs, 'visit') }} and
          {{ counted(receipt.events, 'event') }} are here.</b
        >
        <template v-if="receipt.photosWithoutPicture > 0">
          Without their picture: {{ counted(receipt.photosWithoutPicture, 'photograph') }}.</template
        >
      </p>
      <OneTimeCode v-for="own in receipt?.codes ?? []" :key="own.signIn" :name="own.name" :sign-in="own.signIn" :code="own.code" :until="own.until" />
    </section>
  </div>
</template>

<style scoped>
.outs li {
  display: flex;
  flex-wrap: wrap;
  gap: 0.4rem 1rem;
  align-items: center;
  padding: 0.25rem 0;
}
.outs .tap {
  min-width: 14rem;
}
</style>
