// Who is signed in on this device?
import { endpoints, Fault, type Me, type Measures } from '@yastik/core'
import { defineStore } from 'pinia'
import { ref } from 'vue'
import { ask } from '../api/client.ts'
import { askOrKept, clearShelf, shelve } from '../offline/shelf.ts'

export const useSession = defineStore('session', () => {
  const me = ref<Me>()
  let asked = false

  /** Asks once who is signed in; undefined means nobody. */
  async function whoAmI(): Promise<Me | undefined> {
    if (asked) return me.value
    try {
      const { answer, kept } = await askOrKept(endpoints.whoAmI)
      me.value = answer
      // Without a signal whoever was signed in last stays; the server is asked again as soon as it answers.
      asked = !kept
    } catch (error) {
      if (!(error instanceof Fault && error.code === 'not-signed-in')) throw error
      asked = true
    }
    return me.value
  }

  async function signIn(name: string, password: string): Promise<void> {
    const who = await ask(endpoints.signIn, { body: { signIn: name, password } })
    me.value = who
    asked = true
    await clearShelf(true)
    await shelve(endpoints.whoAmI, {}, who)
  }

  async function signOut(): Promise<void> {
    await ask(endpoints.signOut)
    await clearShelf(true)
    me.value = undefined
  }

  async function setMeasures(measures: Measures): Promise<void> {
    const who = await ask(endpoints.setMeasures, { body: measures })
    me.value = who
    await shelve(endpoints.whoAmI, {}, who)
  }

  return { me, setMeasures, whoAmI, signIn, signOut }
})
