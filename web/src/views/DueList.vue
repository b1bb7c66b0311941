<script setup lang="ts">
// What is due when, by visit or by unit, and what it is worth.
import { endpoints } from '@yastik/core/wire'
import { computed, ref } from 'vue'
import { useAsked } from '../api/useServer.ts'
import LogbookPages from '../components/LogbookPages.vue'
import MessageDialog from '../components/MessageDialog.vue'
import DueUnits from '../due/DueUnits.vue'
import DueVisits from '../due/DueVisits.vue'
import FaultNote from '../kit/FaultNote.vue'
import Tabs from '../kit/Tabs.vue'
import { usePlace } from '../measures/usePlace.ts'
import { useJob } from '../stores/job.ts'
import { useSession } from '../stores/session.ts'
import { t } from '../words/words.ts'

useJob().close()
const session = useSession()
const place = usePlace()
const isOwner = computed(() => session.me?.role === 'owner')
const sides = [
  { value: 'visits' as const, says: t('screen.logbook.visit') },
  { value: 'units' as const, says: t('screen.logbook.unit-3') },
]
const side = ref<(typeof sides)[number]['value']>('visits')
const all = useAsked(endpoints.dueWorth, () => ({}))
const worth = computed(() => all.said.value ?? [])
await all.ready()

/** The site whose customer is being written to. */
const writing = ref<{ siteId: string; siteName: string }>()
/** How many were: each is asked anew after it. */
const sent = ref(0)
function wasSent() {
  writing.value = undefined
  sent.value++
}
</script>

<template>
  <div class="page stack">
    <div class="spread">
      <h1>{{ t('screen.logbook.due') }}</h1>
      <LogbookPages />
    </div>
    <div v-if="worth.some(({ cleanings }) => cleanings > 0)" class="figures sums" data-worth>
      <div v-for="{ weeks, cleanings, money } in worth" :key="weeks">
        <span class="figure"
          >{{ place.money(money) }}<small>{{ t('screen.logbook.cleanings', { cleanings }) }} {{ t(`screen.logbook.horizon.${weeks}`) }}</small></span
        >
      </div>
    </div>
    <FaultNote :error="all.error.value" />
    <Tabs v-model="side" :options="sides">
      <template #visits>
        <Suspense><DueVisits :key="sent" :may-write="isOwner" @write="writing = $event" /></Suspense>
      </template>
      <template #units>
        <Suspense><DueUnits :key="sent" :may-write="isOwner" @write="writing = $event" /></Suspense>
      </template>
    </Tabs>
    <p class="small">
      {{ t('screen.logbook.worth-work-product-ordinary-unit') }}
    </p>
    <Suspense>
      <MessageDialog
        v-if="writing"
        :key="writing.siteId"
        :site-id="writing.siteId"
        :site-name="writing.siteName"
        @close="writing = undefined"
        @sent="wasSent"
      />
    </Suspense>
  </div>
</template>
