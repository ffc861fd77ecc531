import { openDB, type IDBPDatabase } from 'idb'
import type { EventIn } from './client'
import { LEASES, withLock } from './mutex'

/** A happening as it was said: of which batch, when, and under which key. `of`: only where a former release kept it. */
export interface Happening {
  of?: 'pan' | 'curd' | 'caramel' | 'sweet'
  id: number
  event: EventIn
  at_s: number
}

/** The same as it is kept until the server has it on disk. `refused`: what the server said against it. */
export type Waiting = Happening & { key: string; order?: number; refused?: string }

const STORE = 'waiting'
const OLD_SHELF = 'mulvek-outbox'

let opened: Promise<IDBPDatabase> | null = null
function database(): Promise<IDBPDatabase> {
  opened ??= open()
  opened.catch(() => (opened = null))
  return opened
}

async function open(): Promise<IDBPDatabase> {
  const db = await openDB('mulvek', 1, {
    upgrade(db) {
      db.createObjectStore(STORE, { keyPath: 'order', autoIncrement: true }).createIndex(
        'key',
        'key',
        { unique: true },
      )
      db.createObjectStore(LEASES, { keyPath: 'name' })
    },
    terminated() {
      opened = null
    },
  })
  await takeOver(db)
  return db
}

/** What a former release kept in the browser's local storage comes first. */
async function takeOver(db: IDBPDatabase): Promise<void> {
  const text = localStorage.getItem(OLD_SHELF)
  if (!text) return
  const work = db.transaction(STORE, 'readwrite')
  for (const entry of read(text)) {
    const key = entry.event.key ?? `old-${entry.at_s}`
    if ((await work.store.index('key').getKey(key)) === undefined)
      await work.store.add({ ...entry, key })
  }
  await work.done
  localStorage.removeItem(OLD_SHELF)
}

function read(text: string): Happening[] {
  try {
    return JSON.parse(text) as Happening[]
  } catch {
    return []
  }
}

/** A browser that keeps nothing for us: it waits in this page alone. */
let unkept: Waiting[] = []
const known = (error: unknown) => error instanceof DOMException && error.name === 'ConstraintError'

/** Kept in the browser when this resolves; said twice under one key, it is kept once. */
export async function keep(entry: Waiting): Promise<void> {
  try {
    await (await database()).add(STORE, entry)
  } catch (error) {
    if (!known(error) && !unkept.some((x) => x.key === entry.key)) unkept.push(entry)
  }
}

/** All that waits or was refused, in the order it was said, whichever tab said it. */
export async function kept(): Promise<Waiting[]> {
  const found = await database().then(
    (db) => db.getAll(STORE) as Promise<Waiting[]>,
    () => [],
  )
  return [...found, ...unkept]
}

export async function forget(key: string): Promise<void> {
  unkept = unkept.filter((x) => x.key !== key)
  await change(key, () => null)
}

/** Note what the server said against it, or with undefined that it is to be tried again. */
export async function mark(key: string, refused: string | undefined): Promise<void> {
  unkept = unkept.map((x) => (x.key === key ? { ...x, refused } : x))
  await change(key, (entry) => ({ ...entry, refused }))
}

async function change(key: string, to: (entry: Waiting) => Waiting | null): Promise<void> {
  const db = await database().catch(() => null)
  if (!db) return
  const work = db.transaction(STORE, 'readwrite')
  const entry = (await work.store.index('key').get(key)) as Waiting | undefined
  const made = entry && to(entry)
  if (made) await work.store.put(made)
  else if (entry) await work.store.delete(entry.order!)
  await work.done
}

/** One tab sends at a time. */
export async function alone(work: () => Promise<void>): Promise<void> {
  const db = await database().catch(() => null)
  return db ? withLock(db, 'mulvek-sending', work) : work()
}
