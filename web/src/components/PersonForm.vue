<script setup lang="ts">
// What an owner says of a person.
import { skills } from '@yastik/core/procedure'
import { roles, type PersonForm } from '@yastik/core/wire'
import NumberField from '../kit/NumberField.vue'
import { roleWords, skillWords } from './people.ts'
import { optionsOf } from '../kit/option.ts'
import Field from '../kit/Field.vue'
import TextField from '../kit/TextField.vue'
import Choice from '../kit/Choice.vue'
import Ticks from '../kit/Ticks.vue'

const form = defineModel<PersonForm>({ required: true })
/** The name by which they sign in; left out where it stands already. */
const signIn = defineModel<string>('signIn')
</script>

<template>
  <div class="fields">
    <Field where="name" label="Name"><TextField v-model="form.name" name="person-name" maxlength="120" /></Field>
    <Field v-if="signIn !== undefined" where="signIn" label="Signs in as"
      ><TextField v-model="signIn" name="person-sign-in" maxlength="80" autocapitalize="off"
    /></Field>
    <Field where="liftKg" label="Lifts alone" unit="kg" hint="else the house rule holds"
      ><NumberField v-model="form.liftKg" name="person-lift"
    /></Field>
    <Field where="role" label="Is"><Choice v-model="form.role" mark="role" :options="optionsOf(roles, (role) => roleWords[role])" /></Field>
    <Field where="trained" label="Trained"
      ><Ticks v-model="form.trained" mark="skill" :options="optionsOf(skills, (skill) => skillWords[skill])"
    /></Field>
  </div>
</template>
