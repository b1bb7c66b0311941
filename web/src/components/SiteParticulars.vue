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
import ConsentFields from './ConsentFields.vue'

const props = defineProps<{ site?: SiteRecord }>()
const emit = defineEmits<{ saved: [site: SiteRecord]; reload: [] }>()
const { unit } = useMeasures()
/** A copy to edit; everything here came as JSON. */
const copyOf = <T,>(value: T): T => JSON.parse(JSON.stringify(value))
function formOf(record: SiteRecord | undefined): SiteForm {
  if (!record) return { site: { name: '', ...usualSite }, address: '', contact: '' }
  const { site, address, contact, access, customerUnits, reminders } = record
  return copyOf({
    site,
    address,
    contact,
    ...(access ? { access } : {}),
    ...(customerUnits ? { customerUnits } : {}),
    ...(reminders ? { reminders } : {}),
  })
}
const form = ref<SiteForm>(formOf(props.site))
watch(
  () => props.site,
  (record) => (form.value = formOf(record)),
)
const saved = ref('')
const { error, run } = useDoing()

/** Temperature and humidity are known together or not at all; one alone is filled with a mild day's. Wind and rain are each on their own. */
function setOutdoor(change: { dryBulbC?: number } | { relativeHumidity?: number } | { windMs?: number } | { rainMmH?: number }) {
  const next = { dryBulbC: 28, relativeHumidity: 0.5, ...form.value.site.outdoorAir, ...change }
  const cleared = Object.values<number | undefined>(change).includes(undefined)
  form.value.site.outdoorAir = cleared && ('dryBulbC' in change || 'relativeHumidity' in change) ? undefined : { ...next }
}
const customerUnits = [
  { value: 'metric', says: '°C, L, kW' },
  { value: 'us', says: '°F, gal, Btu/h' },
] as const
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
    const kept = record
      ? await ask(endpoints.saveSite, { params: { id: record.id }, body: { ...form.value, version: record.version } })
      : await ask(endpoints.makeSite, { body: form.value })
    saved.value = 'Saved.'
    emit('saved', kept)
  })
}
</script>

<template>
  <Form
    class="ruled-top"
    data-site-form
    :sends="site ? { ...form, version: site.version } : form"
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
      <ConsentFields v-model="form.reminders" />
      <Field where="site.setting" label="Setting">
        <Pick v-model="form.site.setting" name="setting" :options="optionsOf(settings, (setting) => setting.replace('-', ' '))" />
      </Field>
      <Field where="site.altitudeM" label="Altitude" unit="m"><NumberField v-model="form.site.altitudeM" name="altitude" /></Field>
      <Field where="site.outdoorAir.dryBulbC" label="Outdoor air" :unit="unit('°C')"
        ><NumberField si="°C" name="outdoor-c" :model-value="form.site.outdoorAir?.dryBulbC" @update:model-value="setOutdoor({ dryBulbC: $event })"
      /></Field>
      <Field where="site.outdoorAir.relativeHumidity" label="Outdoor humidity" unit="%"
        ><NumberField
          name="outdoor-rh"
          :model-value="form.site.outdoorAir?.relativeHumidity"
          :times="100"
          @update:model-value="setOutdoor({ relativeHumidity: $event })"
      /></Field>
      <template v-if="site?.units.some(({ family }) => isOnRoof(family))">
        <Field where="site.outdoorAir.windMs" label="Wind" unit="m/s"
          ><NumberField name="wind" :model-value="form.site.outdoorAir?.windMs" @update:model-value="setOutdoor({ windMs: $event })"
        /></Field>
        <Field where="site.outdoorAir.rainMmH" label="Rain" unit="mm/h"
          ><NumberField name="rain" :model-value="form.site.outdoorAir?.rainMmH" @update:model-value="setOutdoor({ rainMmH: $event })"
        /></Field>
      </template>
      <Field where="site.electricityPricePerKwh" label="Electricity, per kWh"
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
