// Who is signed in on this device?
import { Fault } from '@yastik/core/faults'
import type { Measures } from '@yastik/core/quantities'
import { endpoints, type Me } from '@yastik/core/wire'
import type { Language } from '@yastik/core/words'
import { defineStore } from 'pinia'
import { ref } from 'vue'
import { ask } from '../api/client.ts'
import { forgetRecents } from '../find/recent.ts'
import { askOrKept, clearShelf, shelve } from '../offline/shelf.ts'
import { readFor, readIn } from '../words/words.ts'

export const useSession = defineStore('session', () => {
  const me = ref<Me>()
  let asked = false

  /** Asks once who is signed in; undefined means nobody. */
  async function whoAmI(): Promise<Me | undefined> {
    if (asked) return me.value
    try {
      const { answer, kept } = await askOrKept(endpoints.whoAmI)
      await speakTo(answer)
      // Without a signal whoever was signed in last stays; the server is asked again as soon as it answers.
      asked = !kept
    } catch (error) {
      if (!(error instanceof Fault && error.code === 'not-signed-in')) throw error
      asked = true
    }
    return me.value
  }

  /** From now on the page speaks to them: in their language, units and money. */
  async function speakTo(who: Me): Promise<void> {
    await readIn(who.language)
    readFor(who.measures, who.place.currency)
    me.value = who
  }
  /** Somebody is in, or what is known of them changed. */
  async function became(who: Me): Promise<void> {
    await speakTo(who)
    await shelve(endpoints.whoAmI, {}, who)
  }
  async function entered(who: Me): Promise<void> {
    asked = true
    await clearShelf(true)
    forgetRecents()
    await became(who)
  }
  /** @param code of the second factor, where it was asked for */
  const signIn = async (name: string, password: string, code?: string): Promise<void> =>
    entered(await ask(endpoints.signIn, { body: { signIn: name, password, ...(code ? { code } : {}) } }))
  /** Sets a password by a code that an owner gave. */
  const useCode = async (name: string, code: string, password: string): Promise<void> =>
    entered(await ask(endpoints.useCode, { body: { signIn: name, code, password } }))
  const askAgain = async (): Promise<void> => became(await ask(endpoints.whoAmI))

  async function signOut(): Promise<void> {
    await ask(endpoints.signOut)
    await clearShelf(true)
    forgetRecents()
    me.value = undefined
  }

  async function setMeasures(measures: Measures): Promise<void> {
    await became(await ask(endpoints.setMeasures, { body: measures }))
  }

  async function setLanguage(language: Language): Promise<void> {
    await became(await ask(endpoints.setLanguage, { body: { language } }))
  }

  return { me, became, askAgain, setLanguage, setMeasures, whoAmI, signIn, useCode, signOut }
})
