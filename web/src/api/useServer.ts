// What the server says, on a view: fetched, fetched anew, page by page, and changed; one way to be loading, stale, tried again and wrong.
import type { Answer, Endpoint, Given } from '@yastik/core/wire'
import { useInfiniteQuery, useQuery, useQueryClient, VueQueryPlugin, type VueQueryPluginOptions } from '@tanstack/vue-query'
import { computed, ref, shallowRef, type App, type ComputedRef, type Ref } from 'vue'
import { ask, isNoJudgement } from './client.ts'

/** So often is asked again what nobody judged, before it is said that nobody answers. */
const tries = 2

/** What a view shows is the server's word of now: it is asked whenever a view opens, and not behind anybody's back. */
const options: VueQueryPluginOptions = {
  queryClientConfig: {
    defaultOptions: {
      queries: {
        gcTime: 0,
        staleTime: 0,
        networkMode: 'always',
        refetchOnWindowFocus: false,
        refetchOnReconnect: false,
        retry: (failures, error) => failures < tries && isNoJudgement(error),
        retryDelay: 300,
      },
    },
  },
}
export const withServer = (app: App): App => app.use(VueQueryPlugin, options)

export interface Asked<Said> {
  /** What was said last; undefined until then. */
  readonly said: ComputedRef<Said | undefined>
  /** Why it could not be fetched. */
  readonly error: ComputedRef<unknown>
  readonly fetching: Ref<boolean>
  reload(): Promise<void>
  /** Replaces it by what a change answered. */
  set(said: Said): void
  /** There, or known not to come: for a view that waits for it. */
  ready(): Promise<void>
}

/** @param given as it is asked for now: asked again when it becomes another; undefined asks for nothing @param againMs asks again so often */
export function useAsked<Own extends Endpoint>(
  own: Own,
  given: () => Given<Own> | undefined,
  { againMs }: { againMs?: number } = {},
): Asked<Answer<Own>> {
  const client = useQueryClient()
  const key = computed(() => [own.method, own.path, given()])
  const query = useQuery({
    queryKey: key,
    enabled: computed(() => given() !== undefined),
    // Where nothing is answered there is nothing to keep: the library asks for something all the same.
    queryFn: async () => ((await (ask as (own: Endpoint, given: unknown) => Promise<unknown>)(own, given())) ?? null) as Answer<Own>,
    ...(againMs === undefined ? {} : { refetchInterval: againMs }),
  })
  return {
    said: computed(() => query.data.value as Answer<Own> | undefined),
    error: computed(() => query.error.value ?? undefined),
    fetching: query.isFetching,
    reload: async () => void (await query.refetch()),
    set: (said) => void client.setQueryData(key.value, said),
    ready: async () => void (given() === undefined || (await query.suspense())),
  }
}

/** A page of a list: entries, and where the next one goes on. */
interface Page<Entry> {
  readonly entries: readonly Entry[]
  readonly next: string | null
}
export interface Pages<Entry, Whole> extends Omit<Asked<Whole>, 'set'> {
  /** Entries of all pages that were fetched. */
  readonly entries: ComputedRef<Entry[]>
  readonly hasMore: Ref<boolean>
  more(): Promise<void>
}
type EntryOf<Own extends Endpoint> = Answer<Own> extends Page<infer Entry> ? Entry : never

/** A list that is fetched page by page. @param query what it is narrowed down by: asked from the first page on when it becomes another */
export function usePages<Own extends Endpoint>(
  own: Own,
  query: () => Record<string, unknown> = () => ({}),
  { againMs }: { againMs?: number } = {},
): Pages<EntryOf<Own>, Answer<Own>> {
  type Said = Answer<Own> & Page<EntryOf<Own>>
  const pages = useInfiniteQuery({
    queryKey: computed(() => [own.method, own.path, query()]),
    initialPageParam: undefined as string | undefined,
    queryFn: async ({ pageParam: after }) =>
      (await (ask as (own: Endpoint, given: unknown) => Promise<unknown>)(own, { query: { ...query(), after } })) as Said,
    getNextPageParam: ({ next }: Said) => next ?? undefined,
    // While another question is answered, what was said to the one before stays.
    placeholderData: (before) => before,
    ...(againMs === undefined ? {} : { refetchInterval: againMs }),
  })
  const all = computed(() => (pages.data.value?.pages ?? []) as Said[])
  return {
    said: computed(() => all.value[0]),
    entries: computed(() => all.value.flatMap(({ entries }) => [...entries])),
    error: computed(() => pages.error.value ?? undefined),
    fetching: pages.isFetching,
    hasMore: pages.hasNextPage,
    reload: async () => void (await pages.refetch()),
    more: async () => void (await pages.fetchNextPage()),
    ready: async () => void (await pages.suspense()),
  }
}

export interface Doing {
  readonly error: Ref<unknown>
  readonly busy: Ref<boolean>
  /** Does it, and says what went wrong. @returns whether nothing did */
  run(work: () => Promise<unknown>): Promise<boolean>
}

/** A change: while it is under way, and what became of it. */
export function useDoing(): Doing {
  const error = shallowRef<unknown>()
  const busy = ref(false)
  return {
    error,
    busy,
    async run(work) {
      error.value = undefined
      busy.value = true
      try {
        await work()
        return true
      } catch (caught) {
        error.value = caught
        return false
      } finally {
        busy.value = false
      }
    },
  }
}
