import { useMutation, useQuery, type QueryClient } from '@tanstack/vue-query'
import { computed, ref, type MaybeRefOrGetter, toValue } from 'vue'
import {
  api,
  unwrap,
  type AnyBatch,
  type Batch,
  type CaramelBatch,
  type CurdBatch,
  type EventIn,
  type SweetBatch,
} from './client'
import { inOrder, isOld, saw } from './order'
import { heardClock, keepSending, onAnswer, post } from './outbox'

/** A batch with the moment this tab received it, so that its times can run on between answers. */
type Live<B> = B & { received: number; pace?: number }
export type LiveBatch = Live<Batch>
export type LiveCurd = Live<CurdBatch>
export type LiveCaramel = Live<CaramelBatch>
export type LiveSweet = Live<SweetBatch>
export type LiveAny = LiveBatch | LiveCurd | LiveCaramel | LiveSweet

function stamp<B extends AnyBatch>(batch: B): Live<B> {
  heardClock(batch.now_s)
  return { ...batch, received: performance.now() }
}

export function useLarder() {
  return useQuery({
    queryKey: ['larder'],
    queryFn: () => unwrap(api.GET('/api/larder')),
    staleTime: 60_000,
  })
}

/** Names of running batches that the server cannot read. */
export const damaged = ref<string[]>([])

export const isPan = (batch: LiveAny): batch is LiveBatch => batch.kind === 'reduce'
const isCurd = (batch: LiveAny): batch is LiveCurd =>
  batch.kind === 'curdle' || batch.kind === 'strain'
const isCaramel = (batch: LiveAny): batch is LiveCaramel => batch.kind === 'caramel'
const isSweet = (batch: LiveAny): batch is LiveSweet => batch.kind === 'sweet'

/** What is not finished: pans first, then what curdles or hangs, caramels, sweets. */
function useRunningWhere<B extends LiveAny>(of: (batch: LiveAny) => batch is B) {
  return useQuery({
    queryKey: ['stove'],
    queryFn: async () => {
      const { batches, aside } = await inOrder(
        () => unwrap(api.GET('/api/stove')),
        (answer) => answer.batches,
      )
      damaged.value = aside
      const all = batches.map(stamp) as LiveAny[]
      return [isPan, isCurd, isCaramel, isSweet].flatMap((kind) => all.filter(kind))
    },
    select: (batches) => batches.filter(of),
    refetchInterval: 15_000,
  })
}
export const useRunning = () => useRunningWhere((batch): batch is LiveAny => Boolean(batch))
export const useStove = () => useRunningWhere(isPan)

/**
 * One batch, finished or not. `former`: what its kind was called while it had numbers of its own, as an address of that
 * time may have been kept.
 */
function useOne<B extends LiveAny>(
  id: MaybeRefOrGetter<number>,
  of: (batch: LiveAny) => batch is B,
  former: 'curd' | 'caramel' | 'sweet' | 'any',
) {
  return useQuery({
    queryKey: ['batch', former, computed(() => toValue(id))],
    queryFn: async () => {
      const number = toValue(id)
      const path = { batch_id: number }
      const found = await inOrder(
        () => unwrap(api.GET('/api/batches/{batch_id}', { params: { path } })).catch(() => null),
        (answer) => (answer ? [answer] : []),
      )
      const live = found && (stamp(found) as LiveAny)
      if (live && of(live)) return live
      // these never had numbers of their own
      if (former === 'caramel' || former === 'any')
        throw new Error(`There is no such ${former === 'any' ? 'batch' : former}.`)
      const before = { params: { path: { former: `${former}-${number}` } } }
      return stamp(await unwrap(api.GET('/api/batches/former/{former}', before))) as LiveAny as B
    },
    refetchInterval: 30_000,
    retry: false,
  })
}
export const useCurd = (id: MaybeRefOrGetter<number>) => useOne(id, isCurd, 'curd')
export const useCaramel = (id: MaybeRefOrGetter<number>) => useOne(id, isCaramel, 'caramel')
export const useAnyBatch = (id: MaybeRefOrGetter<number>) =>
  useOne(id, (batch): batch is LiveAny => Boolean(batch), 'any')
export const useSweetBatch = (id: MaybeRefOrGetter<number>) => useOne(id, isSweet, 'sweet')

/** The whole log of a batch of which only the newest lines were told; asked for again when it grows. */
export function useWholeLog(batch: MaybeRefOrGetter<LiveAny>) {
  const earlier = () => {
    const b = toValue(batch)
    return b.kind === 'reduce' ? b.earlier : 0
  }
  const told = useQuery({
    queryKey: [
      'whole-log',
      computed(() => toValue(batch).id),
      computed(() => toValue(batch).log[0]),
    ],
    queryFn: async () =>
      (
        await unwrap(
          api.GET('/api/batches/{batch_id}', {
            params: { path: { batch_id: toValue(batch).id } },
          }),
        )
      ).log,
    enabled: computed(() => earlier() > 0),
    placeholderData: (before) => before,
  })
  return computed(() => (earlier() ? told.data.value : null) ?? toValue(batch).log)
}

/** A reduction of the Book beside what was told when it was lit. */
export function useRecord(id: MaybeRefOrGetter<number>, enabled: MaybeRefOrGetter<boolean> = true) {
  return useQuery({
    queryKey: ['book', computed(() => toValue(id))],
    queryFn: () =>
      unwrap(api.GET('/api/book/{batch_id}', { params: { path: { batch_id: toValue(id) } } })),
    enabled: computed(() => toValue(enabled)),
    retry: false,
  })
}

/** A batch of any kind as the Book tells it. */
export function useStory(id: MaybeRefOrGetter<number>) {
  return useQuery({
    queryKey: ['book', 'story', computed(() => toValue(id))],
    queryFn: () =>
      unwrap(
        api.GET('/api/book/{batch_id}/story', { params: { path: { batch_id: toValue(id) } } }),
      ),
    retry: false,
  })
}

/** Log a happening; answered with null when it waits for the network. */
export function useLog() {
  return useMutation({
    networkMode: 'always',
    mutationFn: ({ id, event }: { id: number; event: EventIn }) => post({ id, event }),
  })
}

/**
 * Ask again for what may have changed. A first answer that is still on its way may have been read before the change,
 * and the library does not ask a second time while it waits for a first: it is asked for once more when it is here.
 */
async function askAgain(client: QueryClient, key: string): Promise<void> {
  const stale = client
    .getQueryCache()
    .findAll({ queryKey: [key], fetchStatus: 'fetching' })
    .filter((query) => query.state.data === undefined)
  await client.invalidateQueries({ queryKey: [key] })
  if (stale.length) await client.invalidateQueries({ predicate: (query) => stale.includes(query) })
}

function refresh(client: QueryClient) {
  for (const key of ['stove', 'batch', 'sweet-bases', 'shelf', 'shopping', 'stock', 'book'])
    void askAgain(client, key)
}

/** A batch as it stands now, told by the server; an answer on its way may be of before it. */
function heard(client: QueryClient, batch: AnyBatch) {
  if (isOld(batch)) return
  saw(batch)
  const live = stamp(batch) as LiveAny
  client.setQueryData<LiveAny[]>(['stove'], (old) => old?.map((b) => (b.id === live.id ? live : b)))
  client.setQueriesData<LiveAny>({ queryKey: ['batch'] }, (old) =>
    old?.id === live.id ? live : old,
  )
  if (client.isFetching({ queryKey: ['stove'] })) void askAgain(client, 'stove')
  if (client.isFetching({ queryKey: ['batch'] })) void askAgain(client, 'batch')
  void client.invalidateQueries({ queryKey: ['book', batch.id] })
}

const AGAIN_MS = 5000

/** The stream of changes. One that the server turned away or ended is asked for again: a browser gives up then. */
function stream(client: QueryClient): () => void {
  let source: EventSource
  let timer = 0
  const open = () => {
    source = new EventSource('/api/changes')
    source.onmessage = (message: MessageEvent<string>) => {
      const { batch } = JSON.parse(message.data) as { batch?: AnyBatch }
      if (batch) heard(client, batch)
      else refresh(client) // the first message too: what was fetched before the stream stood may be old already
    }
    source.onerror = () => {
      void client.invalidateQueries({ queryKey: ['me'] }) // sent away, perhaps
      if (source.readyState !== EventSource.CLOSED) return
      window.clearTimeout(timer)
      timer = window.setTimeout(open, AGAIN_MS)
    }
  }
  open()
  return () => {
    window.clearTimeout(timer)
    source.close()
  }
}

/** Ask again whenever the server says that something changed; polling goes on beneath. */
export function listen(client: QueryClient): () => void {
  const close = stream(client)
  onAnswer((batch) => {
    heard(client, batch)
    const boils = batch.kind === 'reduce' && ['heating', 'boiling'].includes(batch.phase)
    if (!boils) refresh(client)
  })
  const stop = keepSending()
  return () => {
    stop()
    close()
  }
}
