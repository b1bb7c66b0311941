<script setup lang="ts">
// House rules: which school the firm follows where trades people differ. The owner sets them; everybody reads them.
import { knownHouseRules, schools, type HouseRules } from '@yastik/core/method'
import type { Consequence } from '@yastik/core/plan'
import { durationWords } from '@yastik/core/quantities'
import { endpoints } from '@yastik/core/wire'
import { computed, ref } from 'vue'
import { ask } from '../api/client.ts'
import { useAsked, useDoing } from '../api/useServer.ts'
import HousePages from '../components/HousePages.vue'
import NumberField from '../kit/NumberField.vue'
import SchoolSwitch from '../components/SchoolSwitch.vue'
import { schoolList, useConsequences } from '../components/useConsequences.ts'
import StepTimes from '../components/StepTimes.vue'
import { usePainted } from '../kit/afterPaint.ts'
import { useSession } from '../stores/session.ts'
import { useMeasures } from '../measures/useMeasures.ts'
import { usePlace } from '../measures/usePlace.ts'
import Field from '../kit/Field.vue'
import Form from '../kit/Form.vue'
import Tap from '../kit/Tap.vue'
import TextField from '../kit/TextField.vue'
import Tick from '../kit/Tick.vue'
import { t } from '../words/words.ts'

const { figure, quantity, unit } = useMeasures()
const session = useSession()
const place = usePlace()
const asked = useAsked(endpoints.houseRules, () => ({}))
const van = useAsked(endpoints.stores, () => ({}))
const record = asked.said
const doing = useDoing()
const error = computed(() => doing.error.value ?? asked.error.value ?? van.error.value)
const saved = ref('')
const isOwner = computed(() => session.me?.role === 'owner')
/** Rates stand further down: they come once what is on top was painted. */
const painted = usePainted()
const rules = computed(() => knownHouseRules(record.value?.rules))
type Figure =
  | 'hourlyRate'
  | 'hourCost'
  | 'minimumCharge'
  | 'travelCharge'
  | 'furtherUnitDiscount'
  | 'productsFoldedBelow'
  | 'worthShare'
  | 'roofWindLimitMs'
  | 'liftLimitKg'
const figures = computed((): readonly { name: Figure; says: string; unit?: string; times?: number }[] => [
  { name: 'hourlyRate', says: t('screen.house.hour-customer'), unit: place.currency.value },
  { name: 'hourCost', says: t('screen.house.hour-costs-firm'), unit: place.currency.value },
  { name: 'minimumCharge', says: t('screen.house.minimum-charge'), unit: place.currency.value },
  { name: 'travelCharge', says: t('screen.house.travel'), unit: place.currency.value },
  { name: 'furtherUnitDiscount', says: t('screen.house.off-further-units'), unit: '%', times: 100 },
  { name: 'productsFoldedBelow', says: t('screen.house.products-in-work-below'), unit: place.currency.value },
  { name: 'worthShare', says: t('screen.house.worth-asked-from'), unit: t('screen.house.percent-of-new-unit'), times: 100 },
  { name: 'roofWindLimitMs', says: t('screen.house.nobody-roof-wind-above'), unit: 'm/s' },
  { name: 'liftLimitKg', says: t('screen.house.one-person-lifts-up'), unit: 'kg' },
])
await Promise.all([asked.ready(), van.ready()])

const signed = (value: number, unit: string) => `${value > 0 ? '+' : '−'}${Math.abs(value)} ${unit}`
/** What a value changes against the one that is followed, on the same round. */
function difference(one: Consequence, followed: Consequence): string {
  const left = one.notReached - followed.notReached
  const said = [
    ...(one.minutes === followed.minutes
      ? []
      : [`${one.minutes > followed.minutes ? '+' : '−'}${durationWords(Math.abs(one.minutes - followed.minutes))}`]),
    ...(one.money === followed.money ? [] : [t('screen.house.work-product-2', { money: place.change(one.money - followed.money) })]),
    ...(one.waterL === followed.waterL
      ? []
      : [signed(figure(Math.round((one.waterL - followed.waterL) * 10) / 10, 'L'), t('screen.house.water', { unit: unit('L') }))]),
    ...(left === 0
      ? []
      : [left > 0 ? t('screen.house.more-soiled-parts-not-reached', { left }) : t('screen.house.fewer-soiled-parts-not-reached', { left: -left })]),
  ]
  return said.join(', ') || t('screen.house.no-difference-round')
}
const consequences = useConsequences(
  () => (record.value ? rules.value : undefined),
  () => van.said.value,
)
const followed = computed(() => consequences.value[schoolList[0]]?.find(({ value }) => value === rules.value[schoolList[0]]))
/** What stands under a way until it is reckoned keeps its place. */
const reckoning = t('screen.house.reckoning')
const brings = computed(() =>
  Object.fromEntries(
    schoolList.map((name) => [
      name,
      Object.fromEntries(
        schools[name]
          .filter((value) => value !== rules.value[name])
          .map((value) => {
            const one = consequences.value[name]?.find((own) => own.value === value)
            return [value, one && followed.value ? difference(one, followed.value) : reckoning]
          }),
      ),
    ]),
  ),
)

const deviceZone = new Intl.DateTimeFormat().resolvedOptions().timeZone
/** What is left empty is not named. Whoever is signed in reads by it from now on. */
async function setPlace(change: { [Of in 'timeZone' | 'currency' | 'taxShare' | 'callUs']?: HouseRules[Of] }) {
  const named = Object.fromEntries(Object.entries(change).map(([name, value]) => [name, value === '' ? undefined : value]))
  await set(named)
  if (!doing.error.value) await session.askAgain()
}
async function set(change: Partial<HouseRules>) {
  const { value: own } = record
  if (!own) return
  saved.value = ''
  const body = { rules: { ...own.rules, ...change }, version: own.version }
  if (await doing.run(async () => asked.set(await ask(endpoints.saveHouseRules, { body }))))
    saved.value = t('screen.house.saved-visits-planned-now-follow')
}
</script>

<template>
  <div class="page stack">
    <div class="spread">
      <h1>{{ t('screen.frame.house-rules') }}</h1>
      <HousePages />
    </div>
    <p>
      {{ isOwner ? t('screen.house.trades-people-differ-you-choose') : t('screen.house.owner-sets-these-method-you') }}
    </p>
    <p class="round" data-round>
      {{ t('screen.house.same-round-ten-ordinary-units') }}
      <template v-if="followed"
        ><b>{{ durationWords(followed.minutes) }}</b> {{ t('screen.house.waits') }} <b>{{ place.money(followed.money) }}</b>
        {{ t('screen.house.work-product') }} <b>{{ quantity(followed.waterL, 'L') }}</b> {{ t('screen.house.water-leaves') }}
        <b>{{ followed.notReached }}</b> {{ t('screen.house.soiled-parts') }}</template
      ><template v-else>{{ reckoning }}</template
      >{{ t('screen.house.under-each-other-way-stands') }}
    </p>
    <p role="status">{{ saved }}</p>
    <div class="schools">
      <SchoolSwitch
        v-for="name in schoolList"
        :key="name"
        :school="name"
        :level="2"
        :value="rules[name]"
        :brings="brings[name]"
        :disabled="!isOwner"
        @choose="set({ [name]: $event })"
      />
    </div>
    <Form v-if="painted" class="ruled-top" :fault="error">
      <h2>{{ t('screen.house.rates-limits') }}</h2>
      <div class="fields">
        <Field v-for="entry in figures" :key="entry.name" :where="`rules.${entry.name}`" :label="entry.says" :unit="entry.unit">
          <NumberField
            :name="entry.name"
            :times="entry.times"
            :model-value="rules[entry.name]"
            :disabled="!isOwner"
            @commit="set({ [entry.name]: $event })"
          />
        </Field>
      </div>
      <Tick name="leaveToDry" :model-value="rules.leaveToDry" :disabled="!isOwner" @update:model-value="set({ leaveToDry: $event })">{{
        t('screen.house.leave-to-dry')
      }}</Tick>
      <Tick name="chargeWaiting" :model-value="rules.chargeWaiting" :disabled="!isOwner" @update:model-value="set({ chargeWaiting: $event })">{{
        t('screen.house.charge-waiting')
      }}</Tick>
    </Form>
    <Form v-if="painted" class="ruled-top" :fault="error" data-place>
      <h2>{{ t('screen.house.firm') }}</h2>
      <div class="fields">
        <Field where="rules.timeZone" :label="t('screen.house.time-zone')" :hint="t('screen.house.days-begin-end-clocks')">
          <TextField name="time-zone" :model-value="rules.timeZone ?? ''" :disabled="!isOwner" @commit="setPlace({ timeZone: $event })" />
        </Field>
        <Field where="rules.currency" :label="t('screen.house.currency')" :hint="t('screen.house.three-letters-eur')">
          <TextField
            name="currency"
            :model-value="rules.currency ?? ''"
            :disabled="!isOwner"
            @commit="setPlace({ currency: $event.toUpperCase() })"
          />
        </Field>
        <Field where="rules.taxShare" :label="t('screen.house.tax-prices')" unit="%">
          <NumberField name="tax" :times="100" :model-value="rules.taxShare" :disabled="!isOwner" @commit="setPlace({ taxShare: $event })" />
        </Field>
        <Field where="rules.callUs" :label="t('screen.house.whom-customers-call')" :hint="t('screen.house.stands-report')">
          <TextField name="call-us" :model-value="rules.callUs ?? ''" :disabled="!isOwner" @commit="setPlace({ callUs: $event })" />
        </Field>
      </div>
      <p v-if="isOwner && rules.timeZone !== deviceZone">
        <Tap data-device-zone @click="setPlace({ timeZone: deviceZone })">{{ t('screen.house.take-time-zone-device', { deviceZone }) }}</Tap>
      </p>
    </Form>
    <StepTimes v-if="isOwner && record && painted" :in-use="rules.stepTimes" @use="set({ stepTimes: $event })" />
  </div>
</template>

<style scoped>
.round {
  min-height: 2.8em;
}
.schools {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(19rem, 1fr));
  gap: 1.4rem 2rem;
}
</style>
