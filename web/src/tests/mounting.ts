// A component as it stands on a page: with the stores, a router that leads nowhere, and a document that can have the focus.
import { metric } from '@yastik/core/quantities'
import type { Me } from '@yastik/core/wire'
import { mount, type VueWrapper } from '@vue/test-utils'
import { createPinia, setActivePinia } from 'pinia'
import type { Component } from 'vue'
import { createMemoryHistory, createRouter } from 'vue-router'
import { useSession } from '../stores/session.ts'
import { loadWords } from '../words/words.ts'

// What is looked at speaks English, as a page does once its words are there.
beforeAll(async () => void (await loadWords()))

const nowhere = { template: '<p />' }
const names = ['today', 'site', 'logbook', 'record', 'method', 'look-over', 'at-the-unit', 'proof', 'crew', 'report', 'quote']

/** Somebody of the made-up firm, as the server would say who is signed in. */
export const somebody = (change: Partial<Me> = {}): Me =>
  ({ id: 7, name: 'Rana Quill', role: 'technician', measures: metric, place: {}, secondFactor: 'none', ...change }) as Me

/** Mounts on the document, so that focus and labels hold. @param me who is signed in */
export function mountOnPage(component: Component, props: Record<string, unknown> = {}, slots: Record<string, unknown> = {}, me?: Me): VueWrapper {
  // Lists open in the main part of the page.
  if (!document.querySelector('main')) document.body.append(document.createElement('main'))
  const pinia = createPinia()
  setActivePinia(pinia)
  if (me) useSession().me = me
  const router = createRouter({
    history: createMemoryHistory(),
    routes: [{ path: '/', component: nowhere }, ...names.map((name) => ({ name, path: `/${name}/:a?/:b?`, component: nowhere }))],
  })
  return mount(component, { props, slots: slots as never, attachTo: document.body, global: { plugins: [pinia, router] } })
}

/** Waits until something holds. @throws Error when it does not within five seconds */
export async function waitFor(holds: () => boolean): Promise<void> {
  for (const startMs = performance.now(); !holds();) {
    if (performance.now() - startMs > 5000) throw new Error('it does not come to hold')
    await new Promise((done) => setTimeout(done, 10))
  }
}
