<script setup lang="ts">
// The password again: before what takes customers out, lets others in, or cannot be undone.
import { endpoints } from '@yastik/core/wire'
import { ref } from 'vue'
import { ask } from '../api/client.ts'
import { waitingForPassword } from '../api/confirm.ts'
import { useDoing } from '../api/useServer.ts'
import Dialog from '../kit/Dialog.vue'
import Field from '../kit/Field.vue'
import Form from '../kit/Form.vue'
import Tap from '../kit/Tap.vue'
import TextField from '../kit/TextField.vue'
import { t } from '../words/words.ts'

const password = ref('')
const { busy, error, run } = useDoing()
const answer = (isGiven: boolean) => waitingForPassword.value?.(isGiven)
async function give() {
  if (await run(() => ask(endpoints.confirmPassword, { body: { password: password.value } }))) answer(true)
}
</script>

<template>
  <Dialog :model-value="true" :title="t('screen.house.confirm-title')" width="28rem" @update:model-value="answer(false)">
    <Form data-confirm-password :sends="{ password }" :schema="endpoints.confirmPassword.body" :fault="error" @submit="give">
      <p>{{ t('screen.house.confirm-why') }}</p>
      <Field where="password" :label="t('screen.house.your-password')"
        ><TextField v-model="password" name="confirm-password" type="password" autocomplete="current-password"
      /></Field>
      <div class="row">
        <Tap now type="submit" :off="password === '' || busy ? t('screen.house.enter-your-password') : ''">{{ t('screen.house.go-on') }}</Tap>
      </div>
    </Form>
  </Dialog>
</template>
