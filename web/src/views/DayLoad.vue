<script setup lang="ts">
// What has to be in the van for a day, crew by crew, from the plans: ticked off while loading, with what is missing said first.
import { crewKey } from '@yastik/core/rounds'
import { endpoints, type DayLoad } from '@yastik/core/wire'
import dayjs from 'dayjs'
import { computed, ref, watch } from 'vue'
import FaultNote from '../kit/FaultNote.vue'
import StoresPages from '../components/StoresPages.vue'
import { useMeasures } from '../measures/useMeasures.ts'
import { usePlace } from '../measures/usePlace.ts'
import { askOrKept } from '../offline/shelf.ts'
import { useJob } from '../stores/job.ts'
import { useSession } from '../stores/session.ts'
import Choice from '../kit/Choice.vue'
import Field from '../kit/Field.vue'
import DayField from '../kit/DayField.vue'
import Tap from '../kit/Tap.vue'
import Tick from '../kit/Tick.vue'
import Notice from '../kit/Notice.vue'
import { itemId } from '@yastik/core/money'
import type { Sentence } from '@yastik/core/words'
import { t } from '../words/words.ts'

useJob().close()
const { quantity, say } = useMeasures()
const day = ref(usePlace().today())
const load = ref<DayLoad>()
const fromDevice = ref(false)
const error = ref<unknown>()
const inVan = ref<string[]>([])
const session = useSession()
/** Whose van is loaded; everybody’s, where nobody is chosen. */
const van = ref('')
const keyed = computed(() => (load.value?.crews ?? []).map((crew) => ({ ...crew, key: crewKey(crew.crewIds) })))
const vans = computed(() => [
  ...keyed.value.map(({ key, crew }) => ({ value: key, says: crew.join(', ') })),
  { value: '', says: t('screen.stores.everybody') },
])
const chosen = computed(() => keyed.value.find(({ key }) => key === van.value))
const visits = computed(() => (load.value?.visits ?? []).filter(({ jobId }) => chosen.value?.jobIds.includes(jobId) ?? true))
/** What the firm has of an item is said beside it, whoever takes it. */
const items = computed(() => {
  const { items: all = [] } = load.value ?? {}
  return chosen.value ? chosen.value.items.map((item) => ({ ...item, has: all.find((one) => itemId(one.item) === itemId(item.item))?.has })) : all
})
const dayKey = () => `yastik-load-${day.value}`
const tickedKey = () => `${dayKey()}-${van.value}`
const readTicks = () => (inVan.value = JSON.parse(localStorage.getItem(tickedKey()) ?? '[]') as string[])

async function fetchLoad() {
  error.value = undefined
  if (!dayjs(day.value).isValid()) return
  try {
    const { answer, kept } = await askOrKept(endpoints.dayLoad, { query: { day: day.value } })
    load.value = answer
    fromDevice.value = kept
    // One's own van first.
    van.value = keyed.value.find(({ crewIds }) => session.me && crewIds.includes(session.me.id))?.key ?? ''
    readTicks()
  } catch (caught) {
    error.value = caught
  }
}
await fetchLoad()
watch(day, fetchLoad)
watch(van, readTicks)
const isIn = (item: Sentence) => inVan.value.includes(itemId(item))
function tick(item: Sentence) {
  const id = itemId(item)
  inVan.value = isIn(item) ? inVan.value.filter((other) => other !== id) : [...inVan.value, id]
  // Only the day that is being loaded is remembered.
  for (const key of Object.keys(localStorage)) if (key.startsWith('yastik-load-') && !key.startsWith(dayKey())) localStorage.removeItem(key)
  localStorage.setItem(tickedKey(), JSON.stringify(inVan.value))
}
const short = computed(() => load.value?.items.filter(({ short: missing }) => missing !== undefined) ?? [])
const amount = ({ quantity: much, unit }: { quantity: number; unit: Sentence }) => (unit === 'L' ? quantity(much, 'L') : `${much} ${say(unit)}`)
const sources: Record<DayLoad['visits'][number]['units'][number]['source'], string> = {
  agreed: t('screen.stores.method-agreed'),
  'looked-over': t('screen.stores.looked-over'),
  forecast: t('screen.stores.forecast'),
  supposed: 'supposed',
}
</script>

<template>
  <div class="page stack">
    <div class="spread">
      <h1>{{ t('screen.stores.days-load') }}</h1>
      <StoresPages />
    </div>
    <Field :label="t('screen.stores.day')" class="day"><DayField v-model="day" name="load-day" /></Field>
    <p v-if="fromDevice" role="status">{{ t('screen.stores.no-signal-server-said-last') }}</p>
    <FaultNote :error="error" />
    <template v-if="load">
      <p v-if="load.visits.length === 0">{{ t('screen.stores.no-visit-open-day') }}</p>
      <template v-else>
        <Choice v-if="keyed.length > 1" v-model="van" :label="t('screen.stores.whose-van')" mark="van" :options="vans" />
        <ul class="plain visits">
          <li v-for="visit in visits" :key="visit.jobId">
            <b>{{ visit.siteName }}</b>: {{ visit.units.map(({ name, source }) => `${name} (${sources[source]})`).join(', ') }}
          </li>
        </ul>
        <Notice v-if="short.length > 0" kind="now" data-short>
          <p>
            <b>{{ t('screen.stores.not-enough-whole-day') }}</b>
          </p>
          <ul>
            <li v-for="item in short" :key="itemId(item.item)">
              {{
                t('screen.stores.missing', {
                  item: say(item.item),
                  amount: amount({ quantity: item.short!, unit: item.unit }),
                  sites: item.sites.join(', '),
                })
              }}
            </li>
          </ul>
          <Tap to="/stores/stock">{{ t('screen.stores.buy-2') }}</Tap>
        </Notice>
        <p role="status" data-loaded>
          {{
            t('screen.stores.van', { inVan: inVan.filter((item) => items.some((entry) => itemId(entry.item) === item)).length, items: items.length })
          }}
        </p>
        <ul class="plain items" data-load>
          <li v-for="item in items" :key="itemId(item.item)">
            <Tick class="item" :model-value="isIn(item.item)" :data-load-item="itemId(item.item)" @update:model-value="tick(item.item)">
              <span class="row-of">
                <span class="much">{{ amount(item) }}</span>
                <span
                  ><b>{{ say(item.item) }}</b
                  ><br /><small
                    >{{ say(item.why)
                    }}{{
                      visits.length > 1 ? ` · ${item.sites.length === visits.length ? t('screen.stores.every-visit') : item.sites.join(', ')}` : ''
                    }}</small
                  ></span
                >
                <span v-if="item.has !== undefined" class="has small"
                  >{{ item.unit === 'L' ? quantity(item.has, 'L') : item.has }}
                  {{ chosen && keyed.length > 1 ? t('screen.stores.all') : t('screen.stores.van-2') }}</span
                >
              </span>
            </Tick>
          </li>
        </ul>
        <p class="small">
          {{ t('screen.stores.units-nobody-looked-over-count') }}
        </p>
      </template>
    </template>
  </div>
</template>

<style scoped>
.day {
  max-width: 14rem;
}
.visits li {
  border-bottom: var(--rule-width) solid var(--rule);
  padding: 0.3rem 0;
}
.items {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(21rem, 1fr));
  gap: 0 2rem;
}
.item {
  width: 100%;
  min-height: var(--touch);
  border-bottom: var(--rule-width) solid var(--rule);
}
.item.is-checked {
  color: var(--ink-soft);
}
.item :deep(.el-checkbox__label) {
  flex: 1;
}
.row-of {
  display: grid;
  grid-template-columns: 5.5rem minmax(0, 1fr) auto;
  gap: 0.6rem;
  align-items: center;
}
.much {
  font-weight: 600;
}
@media (max-width: 700px) {
  .items {
    grid-template-columns: minmax(0, 1fr);
  }
  .row-of {
    grid-template-columns: 4.6rem minmax(0, 1fr);
  }
  .has {
    grid-column: 2;
  }
}
</style>
