import { useMutation, useQuery, type QueryClient } from '@tanstack/vue-query'
import { computed, ref, type MaybeRefOrGetter, toValue } from 'vue'
import {
  api,
  unwrap,
  type Batch,
  type CurdBatch,
  type CurdEventIn,
  type EventIn,
  type SweetBatch,
  type SweetEventIn,
} from './client'
import { heardClock, keepSending, onAnswer, post } from './outbox'

/** A batch with the moment this tab received it, so that its times can run on between answers. */
export type LiveBatch = Batch & { received: number; pace?: number }

function stamp(batch: Batch): LiveBatch {
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

export function useStove() {
  return useQuery({
    queryKey: ['stove'],
    queryFn: async () => {
      const { batches, aside } = await unwrap(api.GET('/api/stove'))
      damaged.value = aside
      return batches.map(stamp)
    },
    refetchInterval: 15_000,
  })
}

/** A curd batch with the moment this tab received it. */
export type LiveCurd = CurdBatch & { received: number }

function stampCurd(batch: CurdBatch): LiveCurd {
  heardClock(batch.now_s)
  return { ...batch, received: performance.now() }
}

export function useCurds() {
  return useQuery({
    queryKey: ['curds'],
    queryFn: async () => (await unwrap(api.GET('/api/stove/curds'))).batches.map(stampCurd),
    refetchInterval: 30_000,
  })
}

export function useCurd(id: MaybeRefOrGetter<number>) {
  return useQuery({
    queryKey: ['curds', computed(() => toValue(id))],
    queryFn: async () =>
      stampCurd(
        await unwrap(
          api.GET('/api/stove/curds/{batch_id}', { params: { path: { batch_id: toValue(id) } } }),
        ),
      ),
    refetchInterval: 30_000,
    retry: false,
  })
}

/** Log a happening of a curd batch; answered with null when it waits for the network. */
export function useCurdLog() {
  return useMutation({
    networkMode: 'always',
    mutationFn: ({ id, event }: { id: number; event: CurdEventIn }) =>
      post({ of: 'curd', id, event }),
  })
}

/** A sweet with the moment this tab received it. */
export type LiveSweet = SweetBatch & { received: number }

function stampSweet(batch: SweetBatch): LiveSweet {
  heardClock(batch.now_s)
  return { ...batch, received: performance.now() }
}

export function useSweets() {
  return useQuery({
    queryKey: ['sweets-running'],
    queryFn: async () => (await unwrap(api.GET('/api/stove/sweets'))).batches.map(stampSweet),
    refetchInterval: 30_000,
  })
}

export function useSweetBatch(id: MaybeRefOrGetter<number>) {
  return useQuery({
    queryKey: ['sweets-running', computed(() => toValue(id))],
    queryFn: async () =>
      stampSweet(
        await unwrap(
          api.GET('/api/stove/sweets/{batch_id}', { params: { path: { batch_id: toValue(id) } } }),
        ),
      ),
    refetchInterval: 30_000,
    retry: false,
  })
}

/** Log a happening of a sweet; answered with null when it waits for the network. */
export function useSweetLog() {
  return useMutation({
    networkMode: 'always',
    mutationFn: ({ id, event }: { id: number; event: SweetEventIn }) =>
      post({ of: 'sweet', id, event }),
  })
}

/** The whole log of a batch of which only the newest lines were told; asked for again when it grows. */
export function useWholeLog(batch: MaybeRefOrGetter<LiveBatch>) {
  const told = useQuery({
    queryKey: [
      'whole-log',
      computed(() => toValue(batch).id),
      computed(() => toValue(batch).log[0]),
    ],
    queryFn: async () =>
      (
        await unwrap(
          api.GET('/api/stove/batches/{batch_id}', {
            params: { path: { batch_id: toValue(batch).id } },
          }),
        )
      ).log,
    enabled: computed(() => toValue(batch).earlier > 0),
    placeholderData: (before) => before,
  })
  return computed(() => (toValue(batch).earlier ? told.data.value : null) ?? toValue(batch).log)
}

export function useRecord(id: MaybeRefOrGetter<number>) {
  return useQuery({
    queryKey: ['book', computed(() => toValue(id))],
    queryFn: () =>
      unwrap(api.GET('/api/book/{batch_id}', { params: { path: { batch_id: toValue(id) } } })),
    retry: false,
  })
}

/** Log a happening; answered with null when it waits for the network. */
export function useLog() {
  return useMutation({
    networkMode: 'always',
    mutationFn: ({ id, event }: { id: number; event: EventIn }) => post({ of: 'pan', id, event }),
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
  for (const key of ['stove', 'curds', 'sweets-running', 'sweet-bases', 'book'])
    void askAgain(client, key)
}

/** A batch as it stands now, told by the server; an answer on its way may be of before it. */
function heard(client: QueryClient, batch: Batch) {
  const live = stamp(batch)
  client.setQueryData<LiveBatch[]>(['stove'], (old) =>
    old?.map((b) => (b.id === live.id ? live : b)),
  )
  if (client.isFetching({ queryKey: ['stove'] })) void askAgain(client, 'stove')
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
      const { pan } = JSON.parse(message.data) as { pan?: Batch }
      if (pan) heard(client, pan)
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
  onAnswer((answer) => {
    if (answer.of === 'pan') {
      heard(client, answer.batch)
      if (['heating', 'boiling'].includes(answer.batch.phase)) return
    } else if (answer.of === 'sweet') {
      const live = stampSweet(answer.batch)
      client.setQueryData<LiveSweet>(['sweets-running', live.id], live)
    } else {
      const live = stampCurd(answer.batch)
      client.setQueryData<LiveCurd>(['curds', live.id], live)
      client.setQueryData<LiveCurd[]>(['curds'], (old) =>
        old?.map((b) => (b.id === live.id ? live : b)),
      )
    }
    refresh(client)
  })
  const stop = keepSending()
  return () => {
    stop()
    close()
  }
}
