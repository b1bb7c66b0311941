<script setup lang="ts">
// One unit written down, changed, or several alike at once.
import { families, traitsOf, type Family } from '@yastik/core/units'
import { endpoints, type UnitForm, type UnitRecord } from '@yastik/core/wire'
import { computed, ref } from 'vue'
import { ask } from '../api/client.ts'
import { useDoing } from '../api/useServer.ts'
import Choice from '../kit/Choice.vue'
import Field from '../kit/Field.vue'
import Form from '../kit/Form.vue'
import Tap from '../kit/Tap.vue'
import TextField from '../kit/TextField.vue'
import { optionsOf } from '../kit/option.ts'
import PhotoThumb from './PhotoThumb.vue'
import UnitFormFields from './UnitForm.vue'
import { t } from '../words/words.ts'

const props = defineProps<{
  siteId: string
  /** The unit that is changed; without one it is new. */ id?: string
  version?: number
  start: UnitForm
  /** Its nameplate, to be read off. */
  platePhoto?: UnitRecord['platePhoto']
}>()
const emit = defineEmits<{ saved: []; leave: [] }>()
const form = ref<UnitForm>(props.start)
/** Names of further units like it, one a line. */
const more = ref('')
const { error, run } = useDoing()
const names = computed(() => [form.value.name, ...more.value.split('\n')].map((entry) => entry.trim()).filter((entry) => entry !== ''))
/** What is sent: one that is changed, one that is new, or several. */
const sends = computed(() => {
  const { name, serialNumber, ...traits } = form.value
  if (props.id !== undefined) return { schema: endpoints.saveUnit.body, body: { ...form.value, version: props.version } }
  return names.value.length > 1
    ? { schema: endpoints.makeAlikeUnits.body, body: { names: names.value, ...traits } }
    : { schema: endpoints.makeUnit.body, body: { name, ...traits, serialNumber } }
})

/** Traits of another family say nothing about this one and go. */
function setFamily(family: Family) {
  const kept = Object.entries(form.value.design).filter(([trait]) => traitsOf[family].some((known) => known === trait))
  form.value = { ...form.value, family, design: Object.fromEntries(kept) }
}
const save = () =>
  run(async () => {
    const params = { id: props.siteId }
    const { name: _, serialNumber: __, ...traits } = form.value
    if (props.id !== undefined && props.version !== undefined)
      await ask(endpoints.saveUnit, { params: { id: props.id }, body: { ...form.value, version: props.version } })
    else if (names.value.length > 1) await ask(endpoints.makeAlikeUnits, { params, body: { names: names.value, ...traits } })
    else await ask(endpoints.makeUnit, { params, body: form.value })
    emit('saved')
  })
</script>

<template>
  <Form class="ruled editing" data-unit-form :sends="sends.body" :schema="sends.schema" :fault="error" @submit="save">
    <h2>
      {{
        id
          ? t('screen.sites.traits-3', { family: t(`names.family.${form.family}`) })
          : t('screen.sites.new', { family: t(`names.family.${form.family}`) })
      }}
    </h2>
    <Choice
      v-if="!id"
      :label="t('screen.sites.family')"
      mark="family"
      :model-value="form.family"
      :options="optionsOf(families, (family) => t(`names.family.${family}`))"
      @update:model-value="setFamily"
    />
    <p v-if="id && platePhoto" class="row" data-plate-photo>
      <PhotoThumb :photo-id="platePhoto.photoId" :job-id="platePhoto.jobId" :unit-id="id" :says="t('screen.sites.nameplate')" />
      <span class="small">{{ t('screen.sites.nameplate-tap-read-whole') }}</span>
    </p>
    <UnitFormFields v-model="form">
      <Field :where="names.length > 1 ? 'names[0]' : 'name'" :label="t('screen.sites.name-unit-people-site-call')" class="whole wide"
        ><TextField v-model="form.name" name="unit-name"
      /></Field>
      <Field v-if="!id" where="names" :label="t('screen.sites.more-like-one-name-line')" class="whole wide"
        ><TextField v-model="more" name="more-names" :lines="2" />
      </Field>
    </UnitFormFields>
    <template #doings>
      <div class="row">
        <Tap now type="submit">{{ t('screen.sites.save-unit') }}</Tap><Tap @click="emit('leave')">{{ t('screen.sites.leave') }}</Tap>
      </div>
    </template>
  </Form>
</template>

<style scoped>
.editing {
  padding: 0.9rem;
}
.wide {
  max-width: 32rem;
}
</style>
