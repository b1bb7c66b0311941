<script setup lang="ts">
// The sheet's frame: places in a strip on top, the view below.
import { defineAsyncComponent, ref, watch } from 'vue'
import { RouterLink, RouterView, useRoute, useRouter } from 'vue-router'
import { NoAnswer } from './api/client.ts'
import { waitingForPassword } from './api/confirm.ts'
import KeyHelp from './components/KeyHelp.vue'
import { useKeys } from './components/keys.ts'
import Tap from './kit/Tap.vue'
import { useLight } from './measures/useLight.ts'
import { useMeasures } from './measures/useMeasures.ts'
import { useJob } from './stores/job.ts'
import { useSession } from './stores/session.ts'
import { isNewerReady, unhandled } from './unhandled.ts'
import { sayError, t } from './words/words.ts'

const session = useSession()
const job = useJob()
const router = useRouter()
const places = [
  { to: '/', name: t('screen.frame.today') },
  { to: '/sites', name: t('screen.frame.sites'), also: ['/quotes', '/data'] },
  { to: '/logbook', name: t('screen.frame.logbook') },
  { to: '/stores', name: t('screen.frame.stores') },
  { to: '/house-rules', name: t('screen.frame.house-rules') },
]
const route = useRoute()
/** A place holds everything below its address, and what belongs to it elsewhere. */
const isHere = ({ to, also = [] }: { to: string; also?: string[] }) =>
  to === '/' ? route.path === '/' : [to, ...also].some((path) => route.path === path || route.path.startsWith(`${path}/`))
/** A view that fetches what it shows before it shows anything is not there yet: whoever listens or waits is told so. */
const fetching = ref(false)
const { measures } = useMeasures()
/** What is being set for this screen. */
const asked = ref<'units' | 'light'>()
const finding = ref(false)
const find = () => (finding.value = session.me !== undefined)
useKeys([{ key: '/', does: t('screen.frame.find-site-unit-visit'), run: find }])
useLight()
// Opened seldom: loaded then.
const MeasuresDialog = defineAsyncComponent(() => import('./components/MeasuresDialog.vue'))
const FindDialog = defineAsyncComponent(() => import('./find/FindDialog.vue'))
const PasswordDialog = defineAsyncComponent(() => import('./components/PasswordDialog.vue'))
const LightDialog = defineAsyncComponent(() => import('./components/LightDialog.vue'))

// What an earlier visit left unsent goes as soon as it is known who is here.
watch(
  () => session.me?.id,
  () => void job.send(),
  { immediate: true },
)

const loadAnew = () => location.reload()
const stays = ref('')
async function leave() {
  stays.value = ''
  try {
    await job.send()
    await session.signOut()
  } catch (error) {
    if (!(error instanceof NoAnswer)) throw error
    stays.value = t('screen.frame.no-signal-signing-out-needs')
    return
  }
  job.close()
  await router.push('/sign-in')
}
</script>

<template>
  <header v-if="session.me" class="strip no-print" :class="{ working: route.path.startsWith('/jobs/') }">
    <RouterLink to="/" class="mark" :aria-label="t('screen.frame.yastik-today')"
      ><img src="/mark.svg" alt="" width="30" height="30" /><b>Yastik</b></RouterLink
    >
    <nav :aria-label="t('screen.frame.places')">
      <RouterLink v-for="place in places" :key="place.to" :to="place.to" class="place" :class="{ here: isHere(place) }">{{ place.name }}</RouterLink>
    </nav>
    <div class="right">
      <span v-if="stays" class="unsent" role="alert">{{ stays }}</span>
      <span v-if="job.unsent > 0" class="unsent" role="status">{{ t('screen.frame.not-sent-yet', { unsent: job.unsent }) }}</span>
      <Tap bare :title="t('screen.frame.site-unit-visit')" data-find-it @click="find">{{ t('screen.frame.find') }}</Tap>
      <Tap bare :title="t('screen.frame.sun-paper-cellar')" data-choose-light @click="asked = 'light'">{{ t('screen.frame.light') }}</Tap>
      <Tap bare :title="t('screen.frame.your-units-and-language')" data-units @click="asked = 'units'"
        >{{ measures.temperature }} {{ measures.volume }}</Tap
      >
      <Tap to="/yourself" bare small class="who" :title="t('screen.frame.your-password-second-factor-sessions')" data-yourself>{{
        session.me.name
      }}</Tap>
      <Tap bare data-sign-out @click="leave">{{ t('screen.frame.sign-out') }}</Tap>
    </div>
  </header>
  <div v-if="unhandled || isNewerReady" class="told no-print" role="alert" data-unhandled>
    <p v-if="unhandled">
      <b>{{ t('screen.frame.something-failed-page') }}</b>{{ t('screen.frame.nobody-handled-waits-device-stays', { message: sayError(unhandled) }) }}
    </p>
    <p v-else>
      <b>{{ t('screen.frame.newer-version-place') }}</b> {{ t('screen.frame.load-when-suits-you-waits') }}
    </p>
    <Tap @click="loadAnew">{{ t('screen.frame.load-anew') }}</Tap>
    <Tap bare @click="((unhandled = undefined), (isNewerReady = false))">{{ t('screen.frame.go') }}</Tap>
  </div>
  <main :data-place="String(route.name ?? '')" :data-path="route.path" :aria-busy="fetching">
    <RouterView v-slot="{ Component }">
      <Suspense @pending="fetching = true" @resolve="fetching = false">
        <component :is="Component" />
        <template #fallback
          ><p class="page" role="status">{{ t('screen.frame.fetching-sheet') }}</p></template
        >
      </Suspense>
    </RouterView>
    <!-- In here, so that they stand in a landmark. -->
    <KeyHelp />
    <MeasuresDialog v-if="asked === 'units'" :model-value="true" @update:model-value="asked = undefined" />
    <FindDialog v-if="finding" v-model="finding" />
    <PasswordDialog v-if="waitingForPassword" />
    <LightDialog v-if="asked === 'light'" :model-value="true" @update:model-value="asked = undefined" />
  </main>
</template>

<style scoped>
.strip {
  display: flex;
  align-items: center;
  gap: 1rem;
  border-bottom: var(--rule-width) solid var(--ink);
  padding: 0 1.25rem;
  min-height: 56px;
  flex-wrap: wrap;
}
.mark {
  display: flex;
  align-items: center;
  gap: 0.5rem;
  text-decoration: none;
  font-size: 1.15rem;
}
nav {
  display: flex;
  flex: 1 1 auto;
  overflow-x: auto;
}
.place {
  text-decoration: none;
  padding: 0.9rem 0.9rem 0.75rem;
  border-bottom: 4px solid transparent;
  white-space: nowrap;
}
.place.here {
  border-bottom-color: var(--ink);
  font-weight: 600;
}
.right {
  display: flex;
  align-items: center;
  gap: 0.4rem;
}
.unsent {
  border: 2px dashed var(--now);
  padding: 0.2rem 0.6rem;
}
.told {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 0.5rem 1rem;
  border-bottom: 3px double var(--now);
  padding: 0.5rem 1.25rem;
}
.told p {
  flex: 1 1 20rem;
  overflow-wrap: anywhere;
}
@media (max-width: 700px) {
  .strip {
    padding: 0 0.6rem;
    gap: 0.2rem;
  }
  .mark b {
    display: none;
  }
  .right .tap {
    padding: 0.4rem 0.45rem;
  }
  .who {
    max-width: 6rem;
  }
  nav {
    order: 3;
    flex-basis: 100%;
  }
  /* All places in one row, in the longer language too. */
  .place {
    flex: 1 0 auto;
    padding: 0.7rem 0.3rem 0.5rem;
    text-align: center;
  }
  .right {
    margin-left: auto;
  }
  /* At work the step has the room: units, light and leaving are one tap away, on Today. */
  .working nav {
    order: 0;
    flex: 1 1 0;
  }
  .working .right .tap {
    display: none;
  }
}
</style>
