<script setup lang="ts">
// People of the firm, for its owners: who they are, how they get in, and that somebody gets in no more.
import { endpoints, type PersonCode, type PersonForm, type PersonRecord } from '@yastik/core/wire'
import { computed, ref, shallowRef } from 'vue'
import { ask } from '../api/client.ts'
import { useAsked, useDoing } from '../api/useServer.ts'
import FaultNote from '../kit/FaultNote.vue'
import HousePages from '../components/HousePages.vue'
import OneTimeCode from '../components/OneTimeCode.vue'
import PersonFields from '../components/PersonForm.vue'
import { useJob } from '../stores/job.ts'
import { useSession } from '../stores/session.ts'
import Tap from '../kit/Tap.vue'
import Form from '../kit/Form.vue'
import Tick from '../kit/Tick.vue'
import { t } from '../words/words.ts'
import { momentWords } from '../words/when.ts'

useJob().close()
const session = useSession()
const list = useAsked(endpoints.people, () => ({}))
const security = useAsked(endpoints.security, () => ({}))
const people = computed(() => list.said.value ?? [])
const needed = computed(() => security.said.value?.ownersNeedSecondFactor ?? false)
const doing = useDoing()
const error = computed(() => doing.error.value ?? list.error.value ?? security.error.value)
const said = ref('')
const given = shallowRef<PersonCode>()
/** Who is changed, or added where there is no id yet. */
const editing = ref<{ id?: number; active: boolean; form: PersonForm; signIn?: string }>()
/** Whose way in is about to be taken: asked for a second time. */
const sure = ref<{ id: number; what: 'code' | 'end' }>()
const active = computed(() => people.value.filter((person) => person.active))
const gone = computed(() => people.value.filter((person) => !person.active))

const attempt = (work: () => Promise<void>) => {
  ;[said.value, sure.value] = ['', undefined]
  return doing.run(work)
}
await Promise.all([list.ready(), security.ready()])

const blank = (): PersonForm => ({ name: '', role: 'technician', trained: [] })
const edit = ({ id, active: isActive, name, role, trained, liftKg, pacePercent }: PersonRecord) => {
  given.value = undefined
  editing.value = { id, active: isActive, form: { name, role, trained: [...trained], liftKg, pacePercent } }
}
const save = () =>
  attempt(async () => {
    if (!editing.value) return
    const { id, active: isActive, form, signIn = '' } = editing.value
    if (id === undefined) given.value = await ask(endpoints.addPerson, { body: { ...form, signIn } })
    else await ask(endpoints.savePerson, { params: { id }, body: { ...form, active: isActive } })
    editing.value = undefined
    await list.reload()
  })
const setActive = ({ id, name, role, trained, liftKg, pacePercent }: PersonRecord, isActive: boolean) =>
  attempt(async () => {
    await ask(endpoints.savePerson, { params: { id }, body: { name, role, trained, liftKg, pacePercent, active: isActive } })
    said.value = isActive ? t('screen.house.gets-again', { name }) : t('screen.house.gets-no-more-they-did', { name })
    await list.reload()
  })
const reset = (id: number) =>
  attempt(async () => {
    given.value = await ask(endpoints.resetPerson, { params: { id } })
    await list.reload()
  })
const setNeeded = (isNeeded: boolean) =>
  attempt(async () => {
    security.set(await ask(endpoints.saveSecurity, { body: { ownersNeedSecondFactor: isNeeded } }))
    // Whoever asks it of others, and has none, is asked as well.
    await session.askAgain()
  })
</script>

<template>
  <div class="page stack">
    <div class="spread">
      <h1>{{ t('screen.house.people') }}</h1>
      <HousePages />
    </div>
    <FaultNote v-if="!editing" :error="error" />
    <p v-if="said" role="status">{{ said }}</p>
    <OneTimeCode v-if="given" :name="given.person.name" :sign-in="given.person.signIn" :code="given.code" :until="given.until" />
    <ul class="plain people">
      <li v-for="person in active" :key="person.id" :data-person="person.signIn">
        <div class="who">
          <b>{{ person.name }}</b> <span>{{ t(`screen.house.role.${person.role}`) }}</span>
          <small
            >{{ ' '
            }}{{
              t('screen.house.signs', {
                signIn: person.signIn,
                way: t(`screen.house.way.${person.way}`),
                secondFactor: person.secondFactor ? ` ${t('screen.house.second-factor')}` : '',
                last: person.lastSeenAt ? t('screen.house.last', { lastSeenAt: momentWords(person.lastSeenAt) }) : t('screen.house.never'),
              })
            }}
          </small>
          <small>
            {{
              person.trained.length > 0
                ? person.trained.map((skill) => t(`screen.house.skill.${skill}`)).join(', ')
                : t('screen.house.no-training-noted')
            }};
            {{
              person.liftKg === undefined ? t('screen.house.lifts-house-rule-allows') : t('screen.house.lifts-up-kg-alone', { liftKg: person.liftKg })
            }}
          </small>
        </div>
        <div class="row">
          <Tap data-edit-person @click="edit(person)">{{ t('screen.house.change') }}</Tap>
          <template v-if="person.id !== session.me?.id">
            <Tap v-if="sure?.id !== person.id || sure.what !== 'code'" data-reset @click="sure = { id: person.id, what: 'code' }">
              {{ t('screen.house.new-way') }}
            </Tap>
            <Tap v-else now data-reset-sure @click="reset(person.id)">{{ t('screen.house.yes-take-password-give-code') }}</Tap>
            <Tap v-if="sure?.id !== person.id || sure.what !== 'end'" data-end @click="sure = { id: person.id, what: 'end' }">
              {{ t('screen.house.let-no-more') }}
            </Tap>
            <Tap v-else now data-end-sure @click="setActive(person, false)">{{ t('screen.house.yes-signed-out-everywhere-now') }}</Tap>
          </template>
        </div>
        <Form
          v-if="editing?.id === person.id"
          class="whole"
          data-person-form
          :sends="{ ...editing.form, active: editing.active }"
          :schema="endpoints.savePerson.body"
          :fault="error"
          @submit="save"
        >
          <PersonFields v-model="editing.form" />
          <template #doings
            ><div class="row">
              <Tap now type="submit" data-save-person>{{ t('screen.house.save') }}</Tap>
              <Tap @click="editing = undefined">{{ t('screen.house.leave') }}</Tap>
            </div></template
          >
        </Form>
      </li>
    </ul>
    <section class="stack ruled-top">
      <Form
        v-if="editing && editing.id === undefined"
        data-person-form
        :sends="{ ...editing.form, signIn: editing.signIn }"
        :schema="endpoints.addPerson.body"
        :fault="error"
        @submit="save"
      >
        <h2>{{ t('screen.house.somebody-new') }}</h2>
        <PersonFields v-model="editing.form" v-model:sign-in="editing.signIn" />
        <template #doings
          ><div class="row">
            <Tap now type="submit" data-save-person>{{ t('screen.house.add-make-code') }}</Tap>
            <Tap @click="editing = undefined">{{ t('screen.house.leave') }}</Tap>
          </div></template
        >
      </Form>
      <div v-else class="row">
        <Tap data-add-person @click="((given = undefined), (editing = { active: true, form: blank(), signIn: '' }))">
          {{ t('screen.house.add-somebody') }}
        </Tap>
        <Tick :model-value="needed" data-need-second-factor @update:model-value="setNeeded">{{ t('screen.house.owners-need-second-factor') }}</Tick>
      </div>
    </section>
    <section v-if="gone.length > 0" class="stack ruled-top" data-gone>
      <h2>{{ t('screen.house.get-no-more') }}</h2>
      <ul class="plain people">
        <li v-for="person in gone" :key="person.id" :data-person="person.signIn">
          <div class="who">
            <b>{{ person.name }}</b> <small>{{ t('screen.house.they-did-stays-record', { signIn: person.signIn }) }}</small>
          </div>
          <Tap data-let-in @click="setActive(person, true)">{{ t('screen.house.let-again') }}</Tap>
        </li>
      </ul>
    </section>
  </div>
</template>

<style scoped>
.people li {
  display: flex;
  flex-wrap: wrap;
  justify-content: space-between;
  gap: 0.5rem 1.5rem;
  border-top: var(--rule-width) solid var(--rule);
  padding: 0.7rem 0;
}
.who {
  flex: 1 1 22rem;
}
.who small {
  display: block;
}
.whole {
  flex-basis: 100%;
}
</style>
