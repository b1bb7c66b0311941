// Which address shows which view? Views load when they are opened.
import { createRouter, createWebHistory } from 'vue-router'
import { NoAnswer } from './api/client.ts'
import { useSession } from './stores/session.ts'
import { loadWords } from './words/words.ts'

export const router = createRouter({
  history: createWebHistory(),
  routes: [
    { path: '/sign-in', name: 'sign-in', component: () => import('./views/SignIn.vue'), meta: { open: true } },
    { path: '/', name: 'today', component: () => import('./views/Today.vue') },
    { path: '/sites', name: 'sites', component: () => import('./views/Sites.vue') },
    { path: '/sites/new', name: 'new-site', component: () => import('./views/SiteSheet.vue') },
    { path: '/sites/:siteId', name: 'site', component: () => import('./views/SiteSheet.vue'), props: true },
    {
      path: '/jobs/:jobId/:unitId',
      component: () => import('./views/JobFrame.vue'),
      props: true,
      children: [
        { path: 'look-over', name: 'look-over', component: () => import('./views/LookOver.vue') },
        { path: 'method', name: 'method', component: () => import('./views/Method.vue') },
        { path: 'at-the-unit', name: 'at-the-unit', component: () => import('./views/AtTheUnit.vue') },
        { path: 'proof', name: 'proof', component: () => import('./views/Proof.vue') },
        { path: 'visit', name: 'visit', component: () => import('./views/Visit.vue') },
        { path: 'crew', name: 'crew', component: () => import('./views/CrewDay.vue') },
        { path: 'report', name: 'report', component: () => import('./views/Report.vue') },
        { path: 'record', name: 'record', component: () => import('./views/Record.vue') },
      ],
    },
    { path: '/quotes', name: 'quotes', component: () => import('./views/Quotes.vue') },
    { path: '/quotes/:quoteId', name: 'quote', component: () => import('./views/QuoteSheet.vue'), props: true },
    { path: '/logbook', name: 'logbook', component: () => import('./views/Logbook.vue') },
    { path: '/logbook/due', name: 'due', component: () => import('./views/DueList.vue') },
    { path: '/logbook/messages', name: 'messages', component: () => import('./views/Messages.vue') },
    { path: '/stores', name: 'stores', component: () => import('./views/Stores.vue') },
    { path: '/stores/load', name: 'load', component: () => import('./views/DayLoad.vue') },
    { path: '/stores/stock', name: 'stock', component: () => import('./views/StockBook.vue') },
    { path: '/house-rules', name: 'house-rules', component: () => import('./views/HouseRules.vue') },
    { path: '/house-rules/wording', name: 'wording', component: () => import('./views/Wording.vue') },
    { path: '/house-rules/people', name: 'people', component: () => import('./views/People.vue') },
    { path: '/house-rules/programs', name: 'programs', component: () => import('./views/Programs.vue') },
    { path: '/house-rules/audit', name: 'audit', component: () => import('./views/AuditLog.vue') },
    { path: '/yourself', name: 'yourself', component: () => import('./views/Yourself.vue') },
    { path: '/data', name: 'data', component: () => import('./views/DataInOut.vue') },
    ...(import.meta.env.DEV ? [{ path: '/kit', name: 'kit', component: () => import('./kit/KitPage.vue'), meta: { open: true } }] : []),
    { path: '/:rest(.*)*', name: 'nothing-here', component: () => import('./views/NothingHere.vue') },
  ],
})

router.beforeEach(async (to) => {
  // What the frame, the day and signing in need is there; every other view waits for all words.
  if (to.name !== 'today' && !to.meta.open) void loadWords()
  if (to.meta.open) return true
  // Without a signal, and without anybody who was signed in here before, there is nothing to open.
  const me = await useSession()
    .whoAmI()
    .catch((error: unknown) => {
      if (error instanceof NoAnswer) return undefined
      throw error
    })
  if (!me) return { name: 'sign-in', query: to.fullPath === '/' ? {} : { then: to.fullPath } }
  if (to.name !== 'today') await loadWords()
  return true
})
