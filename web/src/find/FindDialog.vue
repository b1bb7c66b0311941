<script setup lang="ts">
// One search over sites, units and visits, from everywhere; what was opened last is there at once.
import { endpoints } from '@yastik/core/wire'
import { computed, ref, useTemplateRef, watch } from 'vue'
import { RouterLink } from 'vue-router'
import { useAsked } from '../api/useServer.ts'
import Dialog from '../kit/Dialog.vue'
import FaultNote from '../kit/FaultNote.vue'
import TextField from '../kit/TextField.vue'
import { recents } from './recent.ts'
import { stationRoute } from '../today/stationRoute.ts'
import { t } from '../words/words.ts'
import { dayWords } from '../words/when.ts'

const isOpen = defineModel<boolean>({ required: true })
const typed = ref('')
const words = ref('')
/** Not with every letter. */
const restMs = 200
watch(typed, (text, _, onCleanup) => {
  const timer = setTimeout(() => (words.value = text.trim()), restMs)
  onCleanup(() => clearTimeout(timer))
})
const asked = useAsked(endpoints.find, () => (words.value === '' ? undefined : { query: { words: words.value } }))
const found = computed(() => (words.value === '' ? undefined : asked.said.value))
interface Line {
  readonly to: string
  readonly says: string
  readonly where: string
}
const told = (where: string, isRetired: boolean) => (isRetired ? t('screen.frame.retired', { where }) : where)
const groups = computed<{ title: string; lines: Line[] }[]>(() => {
  if (words.value === '') return [{ title: t('screen.frame.opened-last'), lines: recents() }]
  const { sites = [], units = [], visits = [] } = found.value ?? {}
  return [
    {
      title: t('screen.frame.sites'),
      lines: sites.map(({ siteId, name, address, isRetired }) => ({ to: `/sites/${siteId}`, says: name, where: told(address, isRetired) })),
    },
    {
      title: t('screen.frame.units'),
      lines: units.map(({ siteId, name, siteName, family, isRetired }) => ({
        to: `/sites/${siteId}`,
        says: name,
        where: told(`${t(`names.family.${family}`)}, ${siteName}`, isRetired),
      })),
    },
    {
      title: t('screen.frame.visits'),
      lines: visits.map(({ jobId, unitId, unitName, siteName, onDate, stage }) => ({
        to: `/jobs/${jobId}/${unitId}/${stationRoute(stage)}`,
        says: `${unitName}, ${siteName}`,
        where: dayWords(onDate),
      })),
    },
  ].filter(({ lines }) => lines.length > 0)
})
const list = useTemplateRef<HTMLElement>('list')
/** From the field down into what was found, and up and down in it. */
function walk(step: 1 | -1) {
  const links = [...(list.value?.querySelectorAll('a') ?? [])]
  const at = links.indexOf(document.activeElement as HTMLAnchorElement)
  links.at(Math.min(links.length - 1, Math.max(0, at + step)))?.focus()
}
const box = useTemplateRef<HTMLElement>('box')
const opened = () => box.value?.querySelector('input')?.focus()
</script>

<template>
  <Dialog v-model="isOpen" :title="t('screen.frame.find')" width="38rem" @opened="opened">
    <div ref="box" class="stack" data-find @keydown.down.prevent="walk(1)" @keydown.up.prevent="walk(-1)">
      <TextField
        v-model="typed"
        name="find-anything"
        type="search"
        :aria-label="t('screen.frame.site-unit-visit-2')"
        :placeholder="t('screen.frame.site-unit-street')"
        clearable
      />
      <FaultNote :error="asked.error.value" />
      <div ref="list" class="stack" aria-live="polite">
        <p v-if="words !== '' && !asked.fetching.value && groups.length === 0" data-nothing-found>{{ t('screen.frame.nothing-called') }}</p>
        <section v-for="{ title, lines } in groups" :key="title" :aria-label="title">
          <h3 v-if="lines.length > 0">{{ title }}</h3>
          <ul class="plain">
            <li v-for="line in lines" :key="`${line.to} ${line.says}`">
              <RouterLink :to="line.to" class="found" @click="isOpen = false"
                ><b>{{ line.says }}</b
                ><small>{{ line.where }}</small></RouterLink
              >
            </li>
          </ul>
        </section>
      </div>
    </div>
  </Dialog>
</template>

<style scoped>
.found {
  display: flex;
  flex-wrap: wrap;
  justify-content: space-between;
  align-items: center;
  gap: 0.1rem 1rem;
  min-height: var(--tap-height);
  border-bottom: var(--rule-width) solid var(--rule);
  text-decoration: none;
}
.found:hover {
  background: var(--paper-deep);
}
</style>
