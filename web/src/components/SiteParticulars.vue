<script setup lang="ts">
// What is known of a site: who and where, what the air and the water are like there, and how its customer is written to.
import { settings } from '@yastik/core/plan'
import { isOnRoof } from '@yastik/core/units'
import { surroundings } from '@yastik/core/upkeep'
import { endpoints, usualSite, type SiteForm, type SiteRecord } from '@yastik/core/wire'
import { computed, ref, watch } from 'vue'
import { ask } from '../api/client.ts'
import { useDoing } from '../api/useServer.ts'
import Choice from '../kit/Choice.vue'
import Field from '../kit/Field.vue'
import Form from '../kit/Form.vue'
import NumberField from '../kit/NumberField.vue'
import Pick from '../kit/Pick.vue'
import Tap from '../kit/Tap.vue'
import TextField from '../kit/TextField.vue'
import Ticks from '../kit/Ticks.vue'
import { optionsOf } from '../kit/option.ts'
import { useMeasures } from '../measures/useMeasures.ts'
import { usePlace } from '../measures/usePlace.ts'
import ConsentFields from './ConsentFields.vue'
import { languages, type Language } from '@yastik/core/words'

const ownNames: Readonly<Record<Language, string>> = { en: 'English', es: 'Español' }

const props = defineProps<{ site?: SiteRecord }>()
const emit = defineEmits<{ saved: [site: SiteRecord]; reload: [] }>()
const { unit } = useMeasures()
/** A copy to edit; everything here came as JSON. */
const copyOf = <T,>(value: T): T => JSON.parse(JSON.stringify(value))
function formOf(record: SiteRecord | undefined): SiteForm {
  if (!record) return { site: { name: '', ...usualSite }, address: '', contact: '' }
  const { site, address, contact, access, customerUnits, customerLanguage, reminders } = record
  return copyOf({
    site,
    address,
    contact,
    ...(access ? { access } : {}),
    ...(customerUnits ? { customerUnits } : {}),
    ...(customerLanguage ? { customerLanguage } : {}),
    ...(reminders ? { reminders } : {}),
  })
}
const form = ref<SiteForm>(formOf(props.site))
watch(
  () => props.site,
  (record) => {
    form.value = formOf(record)
    outdoor.value = { ...form.value.site.outdoorAir }
  },
)
const place = usePlace()
const saved = ref('')
const { error, run } = useDoing()

/** The air outdoors as far as it was entered. What belongs to it and was not is asked for, never made up. */
type Outdoor = Partial<NonNullable<SiteForm['site']['outdoorAir']>>
const outdoor = ref<Outdoor>({ ...form.value.site.outdoorAir })
const sends = computed(() => {
  const air = Object.fromEntries(Object.entries(outdoor.value).filter(([, value]) => value !== undefined))
  const { outdoorAir: _, ...own } = form.value.site
  const filled = { ...form.value, site: { ...own, ...(Object.keys(air).length > 0 ? { outdoorAir: air } : {}) } }
  return props.site ? { ...filled, version: props.site.version } : filled
})
const customerUnits = [
  { value: 'metric', says: '°C, L, kW' },
  { value: 'us', says: '°F, gal, Btu/h' },
] as const
/** Each by its own name. */
const customerLanguages = languages.map((language) => ({ value: language, says: ownNames[language] }))
const flags = [
  { value: 'waterOnSite', says: 'tap on site' },
  { value: 'foulDrainOnSite', says: 'foul drain on site' },
  { value: 'sensitiveOccupants', says: 'sensitive occupants' },
] as const
const onSite = computed(() => flags.flatMap(({ value }) => (form.value.site[value] ? [value] : [])))

function save() {
  saved.value = ''
  return run(async () => {
    const { site: record } = props
    // The form has judged it by the same schema.
    const kept = record
      ? await ask(endpoints.saveSite, { params: { id: record.id }, body: sends.value as SiteForm & { version: number } })
      : await ask(endpoints.makeSite, { body: sends.value as SiteForm })
    saved.value = 'Saved.'
    emit('saved', kept)
  })
}
</script>

<template>
  <Form
    class="ruled-top"
    data-site-form
    :sends="sends"
    :schema="site ? endpoints.saveSite.body : endpoints.makeSite.body"
    :fault="error"
    @submit="save"
  >
    <h2>Particulars</h2>
    <div class="fields">
      <Field where="site.name" label="Name"><TextField v-model="form.site.name" name="site-name" /></Field>
      <Field where="address" label="Address"><TextField v-model="form.address" name="address" /></Field>
      <Field where="contact" label="Contact, hours"><TextField v-model="form.contact" name="contact" /></Field>
      <Field where="access" label="Keys, way in, what to mind" hint="the dog, a code, where to park"
        ><TextField v-model="form.access" name="access"
      /></Field>
      <Field where="customerUnits" label="Units in the customer’s report">
        <Choice
          mark="customer-units"
          :model-value="form.customerUnits ?? 'metric'"
          :options="customerUnits"
          @update:model-value="form.customerUnits = $event"
        />
      </Field>
      <Field where="customerLanguage" label="Language of the customer’s report">
        <Choice
          mark="customer-language"
          :model-value="form.customerLanguage ?? 'en'"
          :options="customerLanguages"
          @update:model-value="form.customerLanguage = $event"
        />
      </Field>
      <ConsentFields v-model="form.reminders" />
      <Field where="site.setting" label="Setting">
        <Pick v-model="form.site.setting" name="setting" :options="optionsOf(settings, (setting) => setting.replace('-', ' '))" />
      </Field>
      <Field where="site.altitudeM" label="Altitude" unit="m"><NumberField v-model="form.site.altitudeM" name="altitude" /></Field>
      <Field where="site.outdoorAir.dryBulbC" label="Outdoor air" :unit="unit('°C')"
        ><NumberField v-model="outdoor.dryBulbC" si="°C" name="outdoor-c"
      /></Field>
      <Field where="site.outdoorAir.relativeHumidity" label="Outdoor humidity" unit="%"
        ><NumberField v-model="outdoor.relativeHumidity" name="outdoor-rh" :times="100"
      /></Field>
      <template v-if="site?.units.some(({ family }) => isOnRoof(family))">
        <Field where="site.outdoorAir.windMs" label="Wind" unit="m/s"><NumberField v-model="outdoor.windMs" name="wind" /></Field>
        <Field where="site.outdoorAir.rainMmH" label="Rain" unit="mm/h"><NumberField v-model="outdoor.rainMmH" name="rain" /></Field>
      </template>
      <Field where="site.electricityPricePerKwh" label="Electricity" :unit="`${place.currency.value} per kWh`"
        ><NumberField v-model="form.site.electricityPricePerKwh" name="price-per-kwh"
      /></Field>
    </div>
    <Field where="site.surroundings" label="Surroundings">
      <Ticks
        mark="surrounding"
        :model-value="form.site.surroundings ?? []"
        :options="optionsOf(surroundings, (kind) => kind.replace('-', ' '))"
        @update:model-value="form.site.surroundings = $event"
      />
    </Field>
    <Ticks label="What there is on site" mark="on-site" :model-value="onSite" :options="flags" @tick="(flag, on) => (form.site[flag] = on)" />
    <template #doings>
      <div class="row">
        <Tap type="submit" :now="!site">Save the site</Tap><span role="status">{{ saved }}</span
        ><Tap v-if="site" bare @click="emit('reload')">Load the newest version</Tap>
      </div>
    </template>
  </Form>
</template>

<style scoped>
.fields {
  --least: 16rem;
}
</style>
