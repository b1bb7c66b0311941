<script setup lang="ts">
// Every control in every state, for who makes or changes one. In development alone: /kit.
import { Fault } from '@yastik/core/faults'
import { ref } from 'vue'
import { z } from 'zod'
import Choice from './Choice.vue'
import DayField from './DayField.vue'
import Dialog from './Dialog.vue'
import Drawer from './Drawer.vue'
import FaultNote from './FaultNote.vue'
import Field from './Field.vue'
import FileTap from './FileTap.vue'
import Fold from './Fold.vue'
import Form from './Form.vue'
import Ledger from './Ledger.vue'
import Notice from './Notice.vue'
import NumberField from './NumberField.vue'
import Pick from './Pick.vue'
import Progress from './Progress.vue'
import Slide from './Slide.vue'
import Tabs from './Tabs.vue'
import Tap from './Tap.vue'
import TextField from './TextField.vue'
import Tick from './Tick.vue'
import Ticks from './Ticks.vue'
import { optionsOf } from './option.ts'

const names = ['dust', 'grease', 'pollen'] as const
const soils = optionsOf(names, (name) => name)
const soil = ref<(typeof names)[number]>('grease')
const ticked = ref<(typeof names)[number][]>(['dust'])
const isOn = ref(true)
const open = ref(false)
const drawn = ref(false)
const side = ref<'one' | 'other'>('one')
const twoSides = optionsOf(['one', 'other'] as const, (name) => `the ${name} side`)
const sends = ref<{ name: string; kw: number | undefined; day: string; soil: string }>({ name: '', kw: 250, day: '2027-03-01', soil: 'dust' })
const schema = z.object({ name: z.string().min(1), kw: z.number().gt(0).max(60), day: z.string(), soil: z.string() })
const line = ref(40)
const rows = [
  { id: 'a', name: 'Loft', kw: 3.5 },
  { id: 'b', name: 'Attic', kw: 12 },
  { id: 'c', name: 'Cellar', kw: undefined },
]
const columns = [
  { key: 'name', says: 'Unit', sort: ({ name }: (typeof rows)[number]) => name },
  { key: 'kw', says: 'Cooling, kW', number: true, sort: ({ kw }: (typeof rows)[number]) => kw },
  { key: 'doings', says: '' },
]
const fault = new Fault('does-not-hold-up', { lines: [{ where: 'crew', what: 'nobody goes', allowed: 'one at least' }] })
</script>

<template>
  <div class="page stack">
    <h1>The kit</h1>
    <section class="stack">
      <h2>Tap</h2>
      <div class="row">
        <Tap>plain</Tap><Tap now>now</Tap><Tap big>big</Tap><Tap bare>bare</Tap><Tap small>small</Tap><Tap disabled>disabled</Tap
        ><Tap off="say why">greyed, with why</Tap><Tap now disabled>now, disabled</Tap><Tap :pressed="true">pressed</Tap
        ><Tap :pressed="false">not pressed</Tap><Tap to="/">link</Tap><FileTap name="file" accept="*">file</FileTap>
      </div>
    </section>
    <section class="stack ruled-top">
      <h2>Choice, ticks, tick</h2>
      <Choice v-model="soil" label="Soil" :options="soils" />
      <Choice v-model="soil" label="Soil, disabled" disabled :options="soils" />
      <Ticks v-model="ticked" label="Soils" :options="soils" />
      <Ticks v-model="ticked" label="Soils, disabled" disabled :options="soils" />
      <div class="row"><Tick v-model="isOn">ticked or not</Tick><Tick :model-value="true" disabled>disabled</Tick></div>
      <Tick v-model="isOn" big>a gate, at arm’s length</Tick>
    </section>
    <Form class="ruled-top" :sends="sends" :schema="schema" :fault="fault">
      <h2>Form and fields</h2>
      <div class="fields">
        <Field where="name" label="Name" hint="as people on site call it"><TextField v-model="sends.name" name="name" /></Field>
        <Field where="kw" label="Rated cooling" unit="kW"><NumberField v-model="sends.kw" name="kw" /></Field>
        <Field where="day" label="Day"><DayField v-model="sends.day" name="day" /></Field>
        <Field where="soil" label="Soil"><Pick v-model="sends.soil" name="soil" :options="soils" /></Field>
        <Field label="Wrong" error="Enter at most 60 kW."><TextField model-value="250" name="wrong" /></Field>
        <Field label="Disabled"><TextField model-value="as it is" name="disabled" disabled /></Field>
        <Field class="whole" label="Several lines"><TextField model-value="one" name="lines" :lines="3" /></Field>
      </div>
      <template #doings>
        <div class="row"><Tap now type="submit">Save</Tap></div>
      </template>
    </Form>
    <section class="stack ruled-top">
      <h2>Told and asked for</h2>
      <Notice>Something to know.</Notice>
      <Notice kind="now">Something to do about it.</Notice>
      <FaultNote :error="fault" />
      <Progress :share="0.4" says="Reading the table, 40 %" />
      <Progress :share="undefined" says="Reading the table" />
      <Fold title="A line that opens">What was under it.</Fold>
      <Fold title="One that is open" :model-value="true">What was under it.</Fold>
      <Slide v-model="line" label="Draw the line across" :min="0" :max="100" />
      <div class="row"><Tap @click="open = true">Open a sheet over the page</Tap></div>
      <Dialog v-model="open" title="A sheet over the page">It gives the focus back.</Dialog>
      <Tap @click="drawn = true">Draw a sheet in</Tap>
      <Drawer v-model="drawn" title="A sheet from the side">What it is about stays in view.</Drawer>
      <Tabs v-model="side" :options="twoSides"><template #one>The one.</template><template #other>The other.</template></Tabs>
    </section>
    <section class="stack ruled-top">
      <h2>Ledger</h2>
      <Ledger title="Units" :rows="rows" :columns="columns" :row-key="({ id }) => id">
        <template #kw="{ row }">{{ row.kw ?? '–' }}</template>
        <template #doings="{ row }"><Tap bare :aria-label="`Open ${row.name}`">Open</Tap></template>
      </Ledger>
      <Ledger title="Nothing" :rows="[]" :columns="columns" :row-key="() => ''" empty="No units yet." />
      <Ledger title="Loading" :rows="[]" :columns="columns" :row-key="() => ''" loading />
    </section>
  </div>
</template>
