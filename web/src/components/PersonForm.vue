<script setup lang="ts">
// What an owner says of a person.
import { skills } from '@yastik/core/procedure'
import { roles, type PersonForm } from '@yastik/core/wire'
import NumberField from '../kit/NumberField.vue'
import { optionsOf } from '../kit/option.ts'
import Field from '../kit/Field.vue'
import TextField from '../kit/TextField.vue'
import Choice from '../kit/Choice.vue'
import Ticks from '../kit/Ticks.vue'
import { t } from '../words/words.ts'

const form = defineModel<PersonForm>({ required: true })
/** The name by which they sign in; left out where it stands already. */
const signIn = defineModel<string>('signIn')
</script>

<template>
  <div class="fields">
    <Field where="name" :label="t('screen.house.name')"><TextField v-model="form.name" name="person-name" maxlength="120" /></Field>
    <Field v-if="signIn !== undefined" where="signIn" :label="t('screen.house.signs-2')"
      ><TextField v-model="signIn" name="person-sign-in" maxlength="80" autocapitalize="off"
    /></Field>
    <Field where="liftKg" :label="t('screen.house.lifts-alone')" unit="kg" :hint="t('screen.house.else-house-rule-holds')"
      ><NumberField v-model="form.liftKg" name="person-lift"
    /></Field>
    <Field where="pacePercent" :label="t('screen.house.pace')" unit="%" :hint="t('screen.house.pace-hint')"
      ><NumberField v-model="form.pacePercent" name="person-pace"
    /></Field>
    <Field where="role" :label="t('screen.house.is')"
      ><Choice v-model="form.role" mark="role" :options="optionsOf(roles, (role) => t(`screen.house.role.${role}`))"
    /></Field>
    <Field where="trained" :label="t('screen.house.trained')"
      ><Ticks v-model="form.trained" mark="skill" :options="optionsOf(skills, (skill) => t(`screen.house.skill.${skill}`))"
    /></Field>
  </div>
</template>
