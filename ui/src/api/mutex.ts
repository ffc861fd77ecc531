import type { IDBPDatabase } from 'idb'

/**
 * One tab at a time. The browser's own locks where there are any; over plain HTTP there are none, and a lease in the
 * tabs' common database stands in: it is kept up while the work lasts and falls to the next when its tab is gone. Never
 * trust a lease alone: the server refuses doubles by their key.
 */
const LEASE_MS = 4000
const KEEP_MS = 1000
const ASK_MS = 200
const me = Math.random().toString(36).slice(2)

interface Lease {
  name: string
  who: string
  until: number
}
export const LEASES = 'leases'

/** Change the lease as `next` says, in one transaction; null gives it up, undefined leaves it as it is. */
async function swap(
  db: IDBPDatabase,
  name: string,
  next: (held: Lease | undefined) => Lease | null | undefined,
): Promise<boolean> {
  const work = db.transaction(LEASES, 'readwrite')
  const made = next((await work.store.get(name)) as Lease | undefined)
  if (made) await work.store.put(made)
  else if (made === null) await work.store.delete(name)
  await work.done
  return made !== undefined
}

const mine = (name: string): Lease => ({ name, who: me, until: Date.now() + LEASE_MS })

export async function withLock(
  db: IDBPDatabase,
  name: string,
  work: () => Promise<void>,
): Promise<void> {
  if (navigator.locks) return navigator.locks.request(name, work)
  while (!(await swap(db, name, (l) => (!l || l.until < Date.now() ? mine(name) : undefined))))
    await new Promise((done) => setTimeout(done, ASK_MS))
  const keeping = setInterval(
    () => void swap(db, name, (l) => (l?.who === me ? mine(name) : undefined)),
    KEEP_MS,
  )
  try {
    await work()
  } finally {
    clearInterval(keeping)
    await swap(db, name, (l) => (l?.who === me ? null : undefined))
  }
}
