<script setup lang="ts">
// Fasteners that did not come back: where they came out, and the owner's word that the unit may go on without them.
import type { LedgerEntry, LedgerException } from '@yastik/core/run'
import { computed, ref } from 'vue'
import { useSession } from '../stores/session.ts'
import Tap from '../kit/Tap.vue'
import TextField from '../kit/TextField.vue'
import Form from '../kit/Form.vue'
import Field from '../kit/Field.vue'
import { useNames } from '../job/useNames.ts'
import { fastenerName } from '@yastik/core/units'
import { useMeasures } from '../measures/useMeasures.ts'
import { t } from '../words/words.ts'

const { say } = useMeasures()

const props = defineProps<{ entry: LedgerEntry; takenAt: string; draft?: boolean; exception?: LedgerException }>()
const { personName } = useNames()
const emit = defineEmits<{ write: [text: string]; record: [] }>()
const session = useSession()
const asking = ref(false)
const text = ref('')
const fastener = computed(() => say(fastenerName(props.entry.kind)))
const short = computed(() => props.entry.out - props.entry.in)
function write() {
  if (text.value.trim() === '') return
  emit('write', text.value.trim())
  asking.value = false
  text.value = ''
}
</script>

<template>
  <div class="slot" :class="exception ? 'excepted' : 'short'" :role="exception ? undefined : 'alert'" :data-short="entry.kind">
    <b>{{ short > 0 ? t('screen.work.missing', { short, fastener }) : t('screen.work.too-many', { short: -short, fastener }) }}</b>
    <small>{{ t('screen.work.came-out-2', { takenAt, slot: say(entry.slot) }) }}</small>
    <small v-if="exception">{{ t('screen.work.may-stay-out', { by: personName(exception.by), exception: exception.text }) }}</small>
    <template v-else-if="short > 0">
      <template v-if="session.me?.role !== 'owner'">
        <small>{{ t('screen.work.power-waits-until-back-until') }}</small>
        <Tap v-if="draft" data-record-count @click="emit('record')">{{ t('screen.work.put-count-record-owner') }}</Tap>
      </template>
      <Tap v-else-if="!asking" data-except @click="asking = true">{{ t('screen.work.let-stay-out') }}</Tap>
      <Form v-else @submit="write">
        <Field :label="t('screen.work.why-may-follows')"><TextField v-model="text" name="exception" maxlength="500" /></Field>
        <span class="row"
          ><Tap type="submit" :off="text.trim() === '' ? t('screen.work.say-why') : ''">{{ t('screen.work.put-record') }}</Tap
          ><Tap bare @click="asking = false">{{ t('screen.work.no') }}</Tap></span
        >
      </Form>
    </template>
  </div>
</template>

<style scoped>
.slot {
  display: flex;
  flex-direction: column;
  gap: 0.3rem;
  border: var(--rule-width) solid var(--ink);
  padding: 0.4rem 0.7rem;
  line-height: 1.2;
}
.short {
  border: 3px double var(--now);
}
.excepted {
  border-style: dashed;
}
</style>
