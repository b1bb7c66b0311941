<script setup lang="ts">
// One site: its particulars, its units, and the next visit.
import { settings } from '@yastik/core/plan'
import { families, familyNames, isOnRoof, traitsOf, type Family } from '@yastik/core/units'
import { surroundings } from '@yastik/core/upkeep'
import { endpoints, type CrewRecord, type SiteForm, type SiteRecord, type UnitForm, type UnitRecord } from '@yastik/core/wire'
import { ElInput } from 'element-plus/es/components/input/index'
import { ElOption, ElSelect } from 'element-plus/es/components/select/index'
import 'element-plus/theme-chalk/el-input.css'
import 'element-plus/theme-chalk/el-option.css'
import 'element-plus/theme-chalk/el-popper.css'
import 'element-plus/theme-chalk/el-scrollbar.css'
import 'element-plus/theme-chalk/el-select.css'
import 'element-plus/theme-chalk/el-tag.css'
import dayjs from 'dayjs'
import { computed, ref, watch } from 'vue'
import { RouterLink, useRouter } from 'vue-router'
import { ask } from '../api/client.ts'
import ConsentFields from '../components/ConsentFields.vue'
import CustomerData from '../components/CustomerData.vue'
import CrewPick from '../components/CrewPick.vue'
import FaultNote from '../components/FaultNote.vue'
import NumberField from '../components/NumberField.vue'
import { useSession } from '../stores/session.ts'
import { useMeasures } from '../measures/useMeasures.ts'
import UnitFormFields from '../components/UnitForm.vue'

const { quantity, unit: unitName } = useMeasures()
const props = defineProps<{ siteId?: string }>()
const router = useRouter()
const session = useSession()
const isOwner = computed(() => session.me?.role === 'owner')
const record = ref<SiteRecord>()
const error = ref<unknown>()
const unitError = ref<unknown>()
const saved = ref('')
/** A copy to edit; everything here came as JSON. */
const copyOf = <T,>(value: T): T => JSON.parse(JSON.stringify(value))
const blank = (): SiteForm => ({ site: { name: '', setting: 'home', waterOnSite: true, foulDrainOnSite: true }, address: '', contact: '' })
const form = ref<SiteForm>(blank())
/** `more` names further units like it, one a line. */
const editing = ref<{ id?: string; version?: number; form: UnitForm; more: string }>()
const picked = ref<string[]>([])
const onDate = ref(dayjs().format('YYYY-MM-DD'))
const crew = ref<CrewRecord[]>([])
const crewIds = ref<number[]>([])

async function load() {
  error.value = undefined
  if (!props.siteId) {
    record.value = undefined
    form.value = blank()
    return
  }
  try {
    record.value = await ask(endpoints.site, { params: { id: props.siteId } })
    const { site, address, contact, customerUnits, reminders } = record.value
    form.value = copyOf({ site, address, contact, ...(customerUnits ? { customerUnits } : {}), ...(reminders ? { reminders } : {}) })
    picked.value = record.value.units.map(({ id }) => id)
    crew.value = await ask(endpoints.crew)
    if (crewIds.value.length === 0) crewIds.value = crew.value.slice(0, 2).map(({ id }) => id)
  } catch (caught) {
    error.value = caught
  }
}
await load()
watch(() => props.siteId, load)

async function save() {
  error.value = undefined
  saved.value = ''
  try {
    if (record.value) {
      record.value = await ask(endpoints.saveSite, {
        params: { id: record.value.id },
        body: { ...form.value, version: record.value.version },
      })
      saved.value = 'Saved.'
    } else {
      const made = await ask(endpoints.makeSite, { body: form.value })
      await router.replace(`/sites/${made.id}`)
    }
  } catch (caught) {
    error.value = caught
  }
}

function edit(unit?: UnitRecord, alike = false) {
  unitError.value = undefined
  const blankForm: UnitForm = { name: '', family: record.value?.units.at(-1)?.family ?? 'wall-head', design: {} }
  if (!unit) editing.value = { form: blankForm, more: '' }
  else {
    const { id, version, name, family, design, hoursPerDay } = unit
    const traits = copyOf({ family, design, hoursPerDay })
    editing.value = alike ? { form: { name: '', ...traits }, more: '' } : { id, version, form: { name, ...traits }, more: '' }
  }
}
/** Traits of another family say nothing about this one and go. */
function setFamily(family: Family) {
  if (!editing.value) return
  const { form: unitForm } = editing.value
  const kept = Object.entries(unitForm.design).filter(([trait]) => traitsOf[family].some((known) => known === trait))
  editing.value.form = { ...unitForm, family, design: Object.fromEntries(kept) }
}

async function saveUnit() {
  if (!editing.value || !record.value) return
  unitError.value = undefined
  try {
    const { id, version, form: unitForm, more } = editing.value
    const params = { id: record.value.id }
    const { name, ...traits } = unitForm
    const names = [name, ...more.split('\n')].map((entry) => entry.trim()).filter((entry) => entry !== '')
    if (id && version) await ask(endpoints.saveUnit, { params: { id }, body: { ...unitForm, version } })
    else if (names.length > 1) await ask(endpoints.makeAlikeUnits, { params, body: { names, ...traits } })
    else await ask(endpoints.makeUnit, { params, body: unitForm })
    editing.value = undefined
    await load()
  } catch (caught) {
    unitError.value = caught
  }
}

async function planVisit() {
  if (!record.value) return
  error.value = undefined
  try {
    const job = await ask(endpoints.makeJob, {
      body: { siteId: record.value.id, unitIds: picked.value, onDate: onDate.value, crewIds: crewIds.value },
    })
    await router.push({ name: 'look-over', params: { jobId: job.id, unitId: job.units[0].unitId } })
  } catch (caught) {
    error.value = caught
  }
}

/** The soil is as it was seen or is expected; the quote's sheet says which, and takes another. */
async function makeQuote() {
  if (!record.value) return
  error.value = undefined
  try {
    const quote = await ask(endpoints.makeQuote, { body: { siteId: record.value.id, units: picked.value.map((unitId) => ({ unitId })) } })
    await router.push({ name: 'quote', params: { quoteId: quote.id } })
  } catch (caught) {
    error.value = caught
  }
}

const toggle = <T,>(list: T[], entry: T) => (list.includes(entry) ? list.filter((other) => other !== entry) : [...list, entry])
/** Temperature and humidity are known together or not at all; one alone is filled with a mild day's. Wind and rain are each on their own. */
function setOutdoor(change: { dryBulbC?: number } | { relativeHumidity?: number } | { windMs?: number } | { rainMmH?: number }) {
  const next = { dryBulbC: 28, relativeHumidity: 0.5, ...form.value.site.outdoorAir, ...change }
  const cleared = Object.values<number | undefined>(change).includes(undefined)
  form.value.site.outdoorAir = cleared && ('dryBulbC' in change || 'relativeHumidity' in change) ? undefined : copyOf(next)
}
</script>

<template>
  <div class="page stack">
    <p><RouterLink to="/sites">Sites</RouterLink></p>
    <h1>{{ record?.site.name ?? 'New site' }}</h1>
    <FaultNote :error="error" />
    <section v-if="record" class="stack">
      <div class="spread">
        <h2>
          Units <small><RouterLink :to="{ name: 'logbook', query: { site: record.id } }" data-site-log>its logbook</RouterLink></small>
        </h2>
        <button class="tap" @click="edit()">Add a unit</button>
      </div>
      <p v-if="record.units.length === 0">No units yet. Add the first one, then plan a visit.</p>
      <table v-else class="ledger">
        <thead>
          <tr>
            <th>On this visit</th>
            <th>Unit</th>
            <th>Family</th>
            <th class="number">Cooling</th>
            <th class="number">Last cleaned</th>
            <th></th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="unit in record.units" :key="unit.id">
            <td>
              <button
                class="tap"
                role="checkbox"
                :aria-checked="picked.includes(unit.id)"
                :aria-label="`${unit.name} on this visit`"
                @click="picked = toggle(picked, unit.id)"
              >
                {{ picked.includes(unit.id) ? 'yes' : 'no' }}
              </button>
            </td>
            <td>
              <b>{{ unit.name }}</b><br /><small><RouterLink :to="{ path: '/logbook', query: { unit: unit.id } }">its life</RouterLink></small>
            </td>
            <td>{{ familyNames[unit.family] }}</td>
            <td class="number">{{ unit.design.ratedCoolingKw === undefined ? '–' : quantity(unit.design.ratedCoolingKw, 'kW') }}</td>
            <td class="number">{{ unit.lastCleanedAt ? dayjs(unit.lastCleanedAt).format('D MMM YYYY') : 'never' }}</td>
            <td class="number">
              <button class="tap bare" @click="edit(unit)">Traits</button
              ><button class="tap bare" data-alike @click="edit(unit, true)">Add one like it</button>
            </td>
          </tr>
        </tbody>
      </table>
      <form v-if="editing" class="stack ruled editing" @submit.prevent="saveUnit">
        <h2>{{ editing.id ? `Traits of the ${familyNames[editing.form.family]}` : `New ${familyNames[editing.form.family]}` }}</h2>
        <div v-if="!editing.id" class="chips" role="radiogroup" aria-label="Family">
          <button
            v-for="family in families"
            :key="family"
            type="button"
            class="tap"
            role="radio"
            :aria-checked="editing.form.family === family"
            :data-family="family"
            @click="setFamily(family)"
          >
            {{ familyNames[family] }}
          </button>
        </div>
        <UnitFormFields v-model="editing.form">
          <label class="field wide"
            ><span>Name of the unit, as people on site call it</span><ElInput v-model="editing.form.name" name="unit-name"
          /></label>
          <label v-if="!editing.id" class="field wide"
            ><span>More like it, one name a line: rooms of a corridor, say</span
            ><textarea v-model="editing.more" class="line names" name="more-names" rows="2"></textarea>
          </label>
        </UnitFormFields>
        <FaultNote :error="unitError" />
        <div class="row">
          <button class="tap now" type="submit">Save the unit</button><button class="tap" type="button" @click="editing = undefined">Leave it</button>
        </div>
      </form>
      <div v-if="record.units.length > 0" class="visit ruled">
        <label class="field"><span>Day of the visit</span><input v-model="onDate" type="date" class="date" name="on-date" /></label>
        <div class="field">
          <span>Who goes</span>
          <CrewPick v-model="crewIds" :crew="crew" />
        </div>
        <button class="tap" :class="{ now: !editing }" :disabled="picked.length === 0 || crewIds.length === 0" @click="planVisit">
          Start the visit
        </button>
        <button v-if="isOwner" class="tap" :disabled="picked.length === 0" data-make-quote @click="makeQuote">Make a quote</button>
      </div>
    </section>

    <form class="stack ruled-top" @submit.prevent="save">
      <h2>Particulars</h2>
      <div class="fields">
        <label class="field"><span>Name</span><ElInput v-model="form.site.name" name="site-name" required /></label>
        <label class="field"><span>Address</span><ElInput v-model="form.address" name="address" /></label>
        <label class="field"><span>Contact, keys, hours</span><ElInput v-model="form.contact" name="contact" /></label>
        <div class="field" role="radiogroup" aria-label="Units in the customer’s report">
          <span>Units in the customer’s report</span>
          <div class="chips">
            <button
              v-for="[value, says] in [
                ['metric', '°C, L, kW'],
                ['us', '°F, gal, Btu/h'],
              ] as const"
              :key="value"
              type="button"
              class="tap"
              role="radio"
              :aria-checked="(form.customerUnits ?? 'metric') === value"
              :data-customer-units="value"
              @click="form.customerUnits = value"
            >
              {{ says }}
            </button>
          </div>
        </div>
        <ConsentFields v-model="form.reminders" />
        <label class="field"
          ><span>Setting</span
          ><ElSelect v-model="form.site.setting"
            ><ElOption v-for="setting in settings" :key="setting" :value="setting" :label="setting.replace('-', ' ')" /></ElSelect
        ></label>
        <label class="field"><span>Altitude, m</span><NumberField v-model="form.site.altitudeM" name="altitude" /></label>
        <label class="field"
          ><span>Outdoor air, {{ unitName('°C') }}</span
          ><NumberField si="°C" name="outdoor-c" :model-value="form.site.outdoorAir?.dryBulbC" @update:model-value="setOutdoor({ dryBulbC: $event })"
        /></label>
        <label class="field"
          ><span>Outdoor humidity, %</span
          ><NumberField
            name="outdoor-rh"
            :model-value="form.site.outdoorAir?.relativeHumidity"
            :times="100"
            @update:model-value="setOutdoor({ relativeHumidity: $event })"
        /></label>
        <template v-if="record?.units.some(({ family }) => isOnRoof(family))">
          <label class="field"
            ><span>Wind, m/s</span
            ><NumberField name="wind" :model-value="form.site.outdoorAir?.windMs" @update:model-value="setOutdoor({ windMs: $event })"
          /></label>
          <label class="field"
            ><span>Rain, mm/h</span
            ><NumberField name="rain" :model-value="form.site.outdoorAir?.rainMmH" @update:model-value="setOutdoor({ rainMmH: $event })"
          /></label>
        </template>
        <label class="field"><span>Electricity, per kWh</span><NumberField v-model="form.site.electricityPricePerKwh" name="price-per-kwh" /></label>
      </div>
      <div class="field" role="group" aria-label="Surroundings">
        <span>Surroundings</span>
        <div class="chips">
          <button
            v-for="kind in surroundings"
            :key="kind"
            type="button"
            class="tap"
            :aria-pressed="form.site.surroundings?.includes(kind) ?? false"
            @click="form.site.surroundings = toggle(form.site.surroundings ?? [], kind)"
          >
            {{ kind.replace('-', ' ') }}
          </button>
        </div>
      </div>
      <div class="chips">
        <button type="button" class="tap" :aria-pressed="form.site.waterOnSite" @click="form.site.waterOnSite = !form.site.waterOnSite">
          tap on site
        </button>
        <button type="button" class="tap" :aria-pressed="form.site.foulDrainOnSite" @click="form.site.foulDrainOnSite = !form.site.foulDrainOnSite">
          foul drain on site
        </button>
        <button
          type="button"
          class="tap"
          :aria-pressed="form.site.sensitiveOccupants ?? false"
          @click="form.site.sensitiveOccupants = !form.site.sensitiveOccupants"
        >
          sensitive occupants
        </button>
      </div>
      <div class="row">
        <button class="tap" :class="{ now: !record }" type="submit">Save the site</button><span role="status">{{ saved }}</span
        ><button v-if="record" type="button" class="tap bare" @click="load">Load the newest version</button>
      </div>
    </form>
    <CustomerData v-if="isOwner && record" :site="record" @erased="load" />
  </div>
</template>

<style scoped>
.fields {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(16rem, 1fr));
  gap: 0.8rem 1.2rem;
}
.editing,
.visit {
  padding: 0.9rem;
}
.visit {
  display: flex;
  flex-wrap: wrap;
  gap: 1.5rem;
  align-items: end;
}
.wide {
  grid-column: 1 / -1;
  max-width: 32rem;
}
.names {
  resize: vertical;
  min-height: 3.4rem;
}
.date {
  font: inherit;
  min-height: 44px;
  border: var(--rule-width) solid var(--rule);
  background: transparent;
  padding: 0 0.6rem;
  color: inherit;
}
</style>
