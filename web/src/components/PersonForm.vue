<script setup lang="ts">
// What an owner says of a person.
import { skills } from '@yastik/core/procedure'
import { roles, type PersonForm } from '@yastik/core/wire'
import { ElInput } from 'element-plus/es/components/input/index'
import 'element-plus/theme-chalk/el-input.css'
import NumberField from './NumberField.vue'
import { roleWords, skillWords } from './people.ts'

const form = defineModel<PersonForm>({ required: true })
/** The name by which they sign in; left out where it stands already. */
const signIn = defineModel<string>('signIn')
const has = (skill: (typeof skills)[number]) => form.value.trained.includes(skill)
const toggle = (skill: (typeof skills)[number]) =>
  (form.value.trained = has(skill) ? form.value.trained.filter((other) => other !== skill) : [...form.value.trained, skill])
</script>

<template>
  <div class="fields">
    <label class="field"><span>Name</span><ElInput v-model="form.name" name="person-name" maxlength="120" /></label>
    <label v-if="signIn !== undefined" class="field"
      ><span>Signs in as</span><ElInput v-model="signIn" name="person-sign-in" maxlength="80" autocapitalize="off"
    /></label>
    <label class="field"
      ><span>Lifts alone, kg <small>else the house rule holds</small></span
      ><NumberField v-model="form.liftKg" name="person-lift"
    /></label>
    <div class="field">
      <span>Is</span>
      <div class="chips" role="radiogroup" aria-label="Role">
        <button
          v-for="role in roles"
          :key="role"
          type="button"
          class="tap"
          role="radio"
          :aria-checked="form.role === role"
          :data-role="role"
          @click="form.role = role"
        >
          {{ roleWords[role] }}
        </button>
      </div>
    </div>
    <div class="field">
      <span>Trained</span>
      <div class="chips" role="group" aria-label="Trained">
        <button v-for="skill in skills" :key="skill" type="button" class="tap" :aria-pressed="has(skill)" :data-skill="skill" @click="toggle(skill)">
          {{ skillWords[skill] }}
        </button>
      </div>
    </div>
  </div>
</template>

<style scoped>
.fields {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(15rem, 1fr));
  gap: 0.8rem 1.2rem;
}
</style>
