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
import { languageNames, languages } from '@yastik/core/words'
import { t } from '../words/words.ts'

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
  { value: 'metric', says: t('screen.sites.metric-units') },
  { value: 'us', says: t('screen.sites.f-gal-btu-h') },
] as const
/** Each by its own name. */
const customerLanguages = languages.map((language) => ({ value: language, says: languageNames[language] }))
const flags = [
  { value: 'waterOnSite', says: t('screen.sites.tap-site') },
  { value: 'foulDrainOnSite', says: t('screen.sites.foul-drain-site') },
  { value: 'sensitiveOccupants', says: t('screen.sites.sensitive-occupants') },
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
    saved.value = t('screen.sites.saved')
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
    <h2>{{ t('screen.sites.particulars') }}</h2>
    <div class="fields">
      <Field where="site.name" :label="t('screen.sites.name')"><TextField v-model="form.site.name" name="site-name" /></Field>
      <Field where="address" :label="t('screen.sites.address')"><TextField v-model="form.address" name="address" /></Field>
      <Field where="contact" :label="t('screen.sites.contact-hours')"><TextField v-model="form.contact" name="contact" /></Field>
      <Field where="access" :label="t('screen.sites.keys-way-mind')" :hint="t('screen.sites.dog-code-park')"
        ><TextField v-model="form.access" name="access"
      /></Field>
      <Field where="customerUnits" :label="t('screen.sites.units-customers-report')">
        <Choice
          mark="customer-units"
          :model-value="form.customerUnits ?? 'metric'"
          :options="customerUnits"
          @update:model-value="form.customerUnits = $event"
        />
      </Field>
      <Field where="customerLanguage" :label="t('screen.sites.language-customers-report')">
        <Choice
          mark="customer-language"
          :model-value="form.customerLanguage ?? 'en'"
          :options="customerLanguages"
          @update:model-value="form.customerLanguage = $event"
        />
      </Field>
      <ConsentFields v-model="form.reminders" />
      <Field where="site.setting" :label="t('screen.sites.setting')">
        <Pick v-model="form.site.setting" name="setting" :options="optionsOf(settings, (setting) => t(`screen.sites.setting.${setting}`))" />
      </Field>
      <Field where="site.altitudeM" :label="t('screen.sites.altitude')" unit="m"><NumberField v-model="form.site.altitudeM" name="altitude" /></Field>
      <Field where="site.outdoorAir.dryBulbC" :label="t('screen.sites.outdoor-air')" :unit="unit('°C')"
        ><NumberField v-model="outdoor.dryBulbC" si="°C" name="outdoor-c"
      /></Field>
      <Field where="site.outdoorAir.relativeHumidity" :label="t('screen.sites.outdoor-humidity')" unit="%"
        ><NumberField v-model="outdoor.relativeHumidity" name="outdoor-rh" :times="100"
      /></Field>
      <template v-if="site?.units.some(({ family }) => isOnRoof(family))">
        <Field where="site.outdoorAir.windMs" :label="t('screen.sites.wind')" unit="m/s"><NumberField v-model="outdoor.windMs" name="wind" /></Field>
        <Field where="site.outdoorAir.rainMmH" :label="t('screen.sites.rain')" unit="mm/h"
          ><NumberField v-model="outdoor.rainMmH" name="rain"
        /></Field>
      </template>
      <Field
        where="site.electricityPricePerKwh"
        :label="t('screen.sites.electricity')"
        :unit="t('screen.sites.per-kwh', { currency: place.currency.value })"
        ><NumberField v-model="form.site.electricityPricePerKwh" name="price-per-kwh"
      /></Field>
      <Field where="site.newUnitPrice" :label="t('screen.sites.new-unit-price')" :unit="place.currency.value"
        ><NumberField v-model="form.site.newUnitPrice" name="new-unit-price"
      /></Field>
    </div>
    <Field where="site.surroundings" :label="t('screen.sites.surroundings')">
      <Ticks
        mark="surrounding"
        :model-value="form.site.surroundings ?? []"
        :options="optionsOf(surroundings, (kind) => t(`names.surroundings.${kind}`))"
        @update:model-value="form.site.surroundings = $event"
      />
    </Field>
    <Ticks :label="t('screen.sites.site-2')" mark="on-site" :model-value="onSite" :options="flags" @tick="(flag, on) => (form.site[flag] = on)" />
    <template #doings>
      <div class="row">
        <Tap type="submit" :now="!site" data-save-site>{{ t('screen.sites.save-site') }}</Tap><span role="status">{{ saved }}</span
        ><Tap v-if="site" bare @click="emit('reload')">{{ t('screen.sites.load-newest-version') }}</Tap>
      </div>
    </template>
  </Form>
</template>

<style scoped>
.fields {
  --least: 16rem;
}
</style>
