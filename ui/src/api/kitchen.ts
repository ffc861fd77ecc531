import { useMutation, useQuery, useQueryClient, type QueryClient } from '@tanstack/vue-query'
import { computed, type MaybeRefOrGetter, toValue } from 'vue'
import { api, unwrap, type Batch, type EventIn } from './client'

/** A batch with the moment this tab received it, so that its times can run on between answers. */
export type LiveBatch = Batch & { received: number }

const stamp = (batch: Batch): LiveBatch => ({ ...batch, received: performance.now() })

export function useLarder() {
  return useQuery({
    queryKey: ['larder'],
    queryFn: () => unwrap(api.GET('/api/larder')),
    staleTime: 60_000,
  })
}

export function useStove() {
  return useQuery({
    queryKey: ['stove'],
    queryFn: async () => (await unwrap(api.GET('/api/stove'))).batches.map(stamp),
    refetchInterval: 15_000,
  })
}

export function useRecord(id: MaybeRefOrGetter<number>) {
  return useQuery({
    queryKey: ['book', computed(() => toValue(id))],
    queryFn: () =>
      unwrap(api.GET('/api/book/{batch_id}', { params: { path: { batch_id: toValue(id) } } })),
    retry: false,
  })
}

/** Log a happening. It carries a key of its own, so that sending it again never logs it twice. */
export function useLog() {
  const client = useQueryClient()
  return useMutation({
    mutationFn: ({ id, event }: { id: number; event: EventIn }) =>
      unwrap(
        api.POST('/api/stove/batches/{batch_id}/events', {
          params: { path: { batch_id: id } },
          body: { event: { ...event, key: event.key ?? crypto.randomUUID() } },
        }),
      ),
    retry: (count, error) => error.status === 0 && count < 5,
    retryDelay: 800,
    onSuccess: (batch) => {
      client.setQueryData<LiveBatch[]>(['stove'], (old) =>
        old?.map((b) => (b.id === batch.id ? stamp(batch) : b)),
      )
      return refresh(client)
    },
  })
}

function refresh(client: QueryClient) {
  void client.invalidateQueries({ queryKey: ['stove'] })
  void client.invalidateQueries({ queryKey: ['book'] })
}

/** Ask again whenever the server says that something changed; polling goes on beneath. */
export function listen(client: QueryClient): () => void {
  const source = new EventSource('/api/changes')
  let first = true
  source.onmessage = () => {
    if (!first) refresh(client)
    first = false
  }
  return () => source.close()
}
