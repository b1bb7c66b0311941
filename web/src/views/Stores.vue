<script setup lang="ts">
// Stores: what the van holds, each product with its label, and the mixing calculator. The owner changes it; everybody uses it.
import { Fault } from '@yastik/core/faults'
import { knownHouseRules } from '@yastik/core/method'
import { clashesAmong, productSchema, type Equipment, type Product } from '@yastik/core/products'
import { endpoints } from '@yastik/core/wire'
import { v7 as newId } from 'uuid'
import { computed, ref } from 'vue'
import { ask } from '../api/client.ts'
import { useAsked, useDoing } from '../api/useServer.ts'
import EquipmentTable from '../components/EquipmentTable.vue'
import FaultNote from '../kit/FaultNote.vue'
import LabelCard from '../components/LabelCard.vue'
import LabelForm from '../components/LabelForm.vue'
import StoresPages from '../components/StoresPages.vue'
import MixCalculator from '../components/MixCalculator.vue'
import { useSession } from '../stores/session.ts'
import Tap from '../kit/Tap.vue'
import Later from '../kit/Later.vue'
import Form from '../kit/Form.vue'
import Notice from '../kit/Notice.vue'
import { useMeasures } from '../measures/useMeasures.ts'
import { t } from '../words/words.ts'

const { say } = useMeasures()

const session = useSession()
const asked = useAsked(endpoints.stores, () => ({}))
const house = useAsked(endpoints.houseRules, () => ({}))
const record = asked.said
const householdAllowed = computed(() => knownHouseRules(house.said.value?.rules).agentSchool === 'household')
const doing = useDoing()
const error = computed(() => doing.error.value ?? asked.error.value ?? house.error.value)
const saved = ref('')
const editing = ref<Product>()
const isOwner = computed(() => session.me?.role === 'owner')
const clashes = computed(() => clashesAmong(record.value?.products ?? []))
await Promise.all([asked.ready(), house.ready()])

async function save(change: { products?: Product[]; equipment?: Equipment[] }): Promise<boolean> {
  const { value: own } = record
  if (!own) return false
  saved.value = ''
  const isSaved = await doing.run(async () => asked.set(await ask(endpoints.saveStores, { body: { ...own, ...change } })))
  if (isSaved) saved.value = t('screen.stores.saved-visits-planned-now-count')
  return isSaved
}

const withProduct = (product: Product): Product[] => {
  const all = record.value?.products ?? []
  return all.some(({ id }) => id === product.id) ? all.map((other) => (other.id === product.id ? product : other)) : [...all, product]
}
const edit = (product: Product) => (editing.value = JSON.parse(JSON.stringify(product)) as Product)
const write = () => edit({ id: newId(), name: '', class: 'mild-detergent', label: { indoorSafe: false, aluminiumSafe: false, rinse: 'required' } })
async function saveLabel() {
  if (editing.value && (await save({ products: withProduct(editing.value) }))) editing.value = undefined
}
async function takeOut() {
  const gone = editing.value?.id
  if (await save({ products: record.value?.products.filter(({ id }) => id !== gone) })) editing.value = undefined
}
/** What the server says of the product that is written, at its fields. */
const productFault = computed(() => {
  const { value: fault } = error
  if (!(fault instanceof Fault)) return fault
  const at = withProduct(editing.value as Product).findIndex(({ id }) => id === editing.value?.id)
  const lines = fault.lines.map((line) => ({
    ...line,
    where: typeof line.where === 'string' ? line.where.replace(`products[${at}].`, '') : line.where,
  }))
  return new Fault(fault.code, { sentence: fault.sentence, lines })
})
const isNew = computed(() => !record.value?.products.some(({ id }) => id === editing.value?.id))
</script>

<template>
  <div class="page stack">
    <div class="spread">
      <h1>{{ t('screen.frame.stores') }}</h1>
      <StoresPages />
    </div>
    <p v-if="saved" role="status">{{ saved }}</p>
    <p v-if="!isOwner">{{ t('screen.stores.owner-writes-labels-you-can') }}</p>
    <FaultNote v-if="!editing" :error="error" />
    <Notice v-if="clashes.length > 0" kind="now"
      ><ul class="plain">
        <li v-for="(clash, at) in clashes" :key="at">{{ say(clash) }}</li>
      </ul></Notice
    >
    <template v-if="record">
      <MixCalculator v-if="record.products.length > 0" :products="record.products" :household-allowed="householdAllowed" />
      <div class="spread">
        <h2>{{ t('screen.stores.products-their-labels') }}</h2>
        <Tap v-if="isOwner && !editing" data-write-label @click="write">{{ t('screen.stores.write-label-down') }}</Tap>
      </div>
      <Form v-if="editing" class="ruled label-form" :sends="editing" :schema="productSchema" :fault="productFault" @submit="saveLabel">
        <h2>{{ isNew ? t('screen.stores.new-product') : editing.name }}</h2>
        <LabelForm v-model="editing" :is-new="isNew" />
        <template #doings
          ><div class="row">
            <Tap now type="submit" data-save-label>{{ t('screen.stores.save-label') }}</Tap><Tap @click="editing = undefined">{{
              t('screen.stores.leave')
            }}</Tap
            ><Tap v-if="!isNew" bare @click="takeOut">{{ t('screen.stores.take-out-van') }}</Tap>
          </div></template
        ></Form
      >
      <p v-if="record.products.length === 0">{{ t('screen.stores.no-products-yet-without-one') }}</p>
      <div class="cards">
        <LabelCard v-for="product in record.products" :key="product.id" :product="product" :may-edit="isOwner" @edit="edit(product)" />
      </div>
      <Later
        ><h2 class="ruled-top">{{ t('screen.stores.equipment') }}</h2>
        <EquipmentTable :equipment="record.equipment" :may-edit="isOwner" @save="save({ equipment: $event })"
      /></Later>
    </template>
  </div>
</template>

<style scoped>
.cards {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(17rem, 1fr));
  gap: 1rem;
}
.label-form {
  padding: 0.9rem;
}
</style>
