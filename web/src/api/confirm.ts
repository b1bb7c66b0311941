// The password is asked for again before what takes customers out, lets others in, or cannot be undone. Whoever asks the server waits for the answer.
import { shallowRef } from 'vue'

/** Somebody waits for the password: whether it was given. */
export const waitingForPassword = shallowRef<(isGiven: boolean) => void>()

/** Asks for it, where nobody is asked already. @returns whether it was given */
export function passwordGiven(): Promise<boolean> {
  waitingForPassword.value?.(false)
  return new Promise((answer) => {
    waitingForPassword.value = (isGiven) => {
      waitingForPassword.value = undefined
      answer(isGiven)
    }
  })
}
