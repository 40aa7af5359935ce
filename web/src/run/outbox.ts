import { get, update } from 'idb-keyval'
import { asRefused, type Refused, type Schema } from '../api/client'

export type RunEvent = Omit<Schema['EventRequest'], 'key'>

export interface Waiting {
  key: string
  event: RunEvent
}

/** Answers after which the entry is still wanted: nothing came back, or the server could not take it just now. */
const ONCE_MORE = new Set([-1, 0, 408, 425, 429])

export function mayBeSentAgain(refused: Refused): boolean {
  return ONCE_MORE.has(refused.status) || refused.status >= 500
}

const inPage = new Map<string, Promise<unknown>>()

/** One sender at a time over all tabs; where the browser has no locks, over this page. */
async function alone<T>(name: string, work: () => Promise<T>): Promise<T> {
  if (navigator.locks) return (await navigator.locks.request(name, work)) as T
  const before = inPage.get(name) ?? Promise.resolve()
  const mine = before.then(work, work)
  inPage.set(name, mine)
  return mine
}

/**
 * What was entered and is not yet known to be on disk at the server. It lies in the browser's own database under the
 * run's own name, so that no other data folder's run meets it; each entry has a key, so one that is sent twice is
 * written once.
 */
export function outbox(runUuid: string) {
  const place = `outbox-${runUuid}`

  async function entries(): Promise<Waiting[]> {
    return (await get<Waiting[]>(place)) ?? []
  }

  async function add(event: RunEvent): Promise<string> {
    const key = newKey()
    await update<Waiting[]>(place, (all) => [...(all ?? []), { key, event: plain(event) }])
    return key
  }

  function drop(key: string) {
    return update<Waiting[]>(place, (all) => (all ?? []).filter((e) => e.key !== key))
  }

  /**
   * Sends in order what waits, whichever tab it was entered in.
   * @returns the refusals met, by key; `stopped` where the rest waits for a better moment
   */
  function flush<V>(post: (entry: Waiting) => Promise<V>, taken: (view: V) => void) {
    return alone(place, async () => {
      const refused = new Map<string, Refused>()
      for (const entry of await entries()) {
        try {
          taken(await post(entry))
        } catch (e) {
          const problem = asRefused(e)
          if (mayBeSentAgain(problem)) return { refused, stopped: problem }
          refused.set(entry.key, problem)
        }
        await drop(entry.key)
      }
      return { refused, stopped: undefined }
    })
  }

  return { entries, add, flush }
}

/** Without the reactive wrapping, which the database can't take. */
function plain(event: RunEvent): RunEvent {
  return JSON.parse(JSON.stringify(event)) as RunEvent
}

export function newKey(): string {
  return Array.from(crypto.getRandomValues(new Uint8Array(12)), (b) => b.toString(16).padStart(2, '0')).join('')
}
