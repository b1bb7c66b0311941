<script setup lang="ts">
// The firm's data, out and in: open formats, nothing held back.
import { bundleMedia, endpoints, type BundleReceipt } from '@yastik/core/wire'
import { computed, ref, shallowRef } from 'vue'
import { ask, sendFile } from '../api/client.ts'
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
import { t } from '../words/words.ts'

useJob().close()
const session = useSession()
const isOwner = computed(() => session.me?.role === 'owner')
const outs = [
  { href: endpoints.sitesTable.path, name: t('screen.data.sites-units'), says: t('screen.data.csv-one-row-per-unit') },
  { href: endpoints.readingsTable.path, name: t('screen.data.readings'), says: t('screen.data.csv-one-row-per-reading') },
  { href: endpoints.calendar.path, name: t('screen.data.visits-due-days'), says: t('screen.data.icalendar-read-again-moved-moves') },
  { href: endpoints.photographs.path, name: t('screen.data.photographs'), says: t('screen.data.zip-pictures-list') },
  { href: endpoints.bundle.path, name: t('screen.data.everything'), says: t('screen.data.one-json-bundle-checksum-all') },
] as const
const outError = ref<unknown>()
/** A link fetches by itself what the server would answer: the password is asked for before. */
async function takeOut(event: MouseEvent, href: string) {
  event.preventDefault()
  outError.value = undefined
  try {
    await ask(endpoints.isConfirmed)
  } catch (error) {
    outError.value = error
    return
  }
  location.assign(href)
}
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
    <h1>{{ t('screen.data.data-out') }}</h1>
    <section class="stack">
      <h2>{{ t('screen.data.out') }}</h2>
      <p v-if="!isOwner" data-owner-takes-out>{{ t('screen.data.leaves-house-holds-customers-owner') }}</p>
      <FaultNote :error="outError" />
      <ul v-if="isOwner" class="plain outs">
        <li v-for="{ href, name, says } in outs" :key="href">
          <Tap :href="href" download @click="takeOut($event, href)">{{ name }}</Tap> <small>{{ says }}</small>
        </li>
      </ul>
    </section>
    <CalendarFeeds :is-owner="isOwner" />
    <RetentionForm v-if="isOwner" />
    <TableImport :may-take-out="isOwner" @taken="taken++" />
    <CalendarImport @taken="taken++" />
    <ImportsTaken :taken="taken" />
    <section v-if="isOwner" class="stack" data-bundle-import>
      <h2>{{ t('screen.data.whole-firm-bundle') }}</h2>
      <p class="small">
        {{ t('screen.data.into-firm-no-sites-yet') }}
      </p>
      <FileTap name="bundle" accept=".json,application/json" :disabled="busy" @files="takeBundle">
        {{ busy ? t('screen.data.reading') : t('screen.data.choose-bundle') }}
      </FileTap>
      <FaultNote :error="error" />
      <p v-if="receipt" role="status" data-bundle-taken>
        <b>{{
          t('screen.data.sites-units-visits-events-here', {
            sites: receipt.sites,
            units: receipt.units,
            visits: receipt.jobs,
            events: receipt.events,
          })
        }}</b>
        <template v-if="receipt.photosWithoutPicture > 0"
          >{{ ' ' }}{{ t('screen.data.without-their-picture-photographs', { photographs: receipt.photosWithoutPicture }) }}</template
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
