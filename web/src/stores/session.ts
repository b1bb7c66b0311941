// Who is signed in on this device?
import { Fault, type Me } from '@yastik/core'
import { defineStore } from 'pinia'
import { ref } from 'vue'
import { ask } from '../api/client.ts'

export const useSession = defineStore('session', () => {
  const me = ref<Me>()
  let asked = false

  /** Asks once who is signed in; undefined means nobody. */
  async function whoAmI(): Promise<Me | undefined> {
    if (asked) return me.value
    try {
      me.value = await ask<Me>('GET', '/api/session')
      asked = true
    } catch (error) {
      if (!(error instanceof Fault && error.code === 'not-signed-in')) throw error
      asked = true
    }
    return me.value
  }

  async function signIn(name: string, password: string): Promise<void> {
    me.value = await ask<Me>('POST', '/api/session', { signIn: name, password })
    asked = true
  }

  async function signOut(): Promise<void> {
    await ask('DELETE', '/api/session')
    me.value = undefined
  }

  return { me, whoAmI, signIn, signOut }
})
