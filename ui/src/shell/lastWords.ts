import { parseQuery, stringifyQuery, type LocationQuery, type Router } from 'vue-router'
import { api } from '@/api/client'
import { may } from '@/door/me'
import { ADDRESSES, STATIONS_WITH_WORDS } from '@/api/shared'

type Station = (typeof STATIONS_WITH_WORDS)[number]

const STATION = new Map<string, Station>(
  STATIONS_WITH_WORDS.flatMap((name) =>
    name in ADDRESSES ? [[ADDRESSES[name as keyof typeof ADDRESSES], name] as const] : [],
  ),
)
/** A screen that is slow to hear shows the usual plan rather than none. */
const PATIENCE_MS = 1500
/** A sentence that is being changed is kept once it rests. */
const RESTS_MS = 600

/** The words of an address as the server keeps them. */
export const written = (query: LocationQuery) => stringifyQuery(query).replaceAll('?', '%3F')

export async function lastWords(): Promise<Record<string, string>> {
  const { data } = await api.GET('/api/last-words', { signal: AbortSignal.timeout(PATIENCE_MS) })
  return data?.words ?? {}
}
export async function keepWords(station: Station, query: string): Promise<void> {
  const params = { path: { station } }
  // a page that is being closed still sends it
  await api.PUT('/api/last-words/{station}', { params, body: { query }, keepalive: true })
}

/** A station that is opened without words goes on with its last ones; what its sentence says is kept, for any screen. */
export function keepLastWords(router: Router): void {
  const kept = new Map<Station, string>()
  const waits = new Map<Station, { timer: ReturnType<typeof setTimeout>; query: string }>()
  const send = (station: Station, query: string) => {
    clearTimeout(waits.get(station)?.timer)
    waits.delete(station)
    kept.set(station, query)
    void keepWords(station, query).catch(() => kept.delete(station))
  }
  window.addEventListener('pagehide', () => waits.forEach(({ query }, name) => send(name, query)))

  router.beforeEach(async (to, from) => {
    const station = STATION.get(to.path)
    if (!station || Object.keys(to.query).length || to.path === from.path) return
    const said = waits.get(station)?.query // on its way: the server does not know it yet
    const words = said ?? (await lastWords().catch((): Record<string, string> => ({})))[station]
    if (!words) return
    if (said === undefined) kept.set(station, words)
    return { path: to.path, query: parseQuery(words), hash: to.hash }
  })
  router.afterEach((to, _from, failure) => {
    const station = STATION.get(to.path)
    if (!station || failure) return
    const query = written(to.query)
    clearTimeout(waits.get(station)?.timer)
    waits.delete(station)
    if (!may('log')) return
    if ((kept.get(station) ?? '') === query) return
    waits.set(station, { query, timer: setTimeout(() => send(station, query), RESTS_MS) })
  })
}
