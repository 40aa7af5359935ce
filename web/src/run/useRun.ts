import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, onScopeDispose, ref } from 'vue'
import { asRefused, call, type Refused, type Schema } from '../api/client'
import { useDisplay } from '../display/display'

export type RunView = Schema['RunView']
export type RunEvent = Omit<Schema['EventRequest'], 'key'>

interface Queued {
  key: string
  event: RunEvent
}

/**
 * A run and its log. Events wait in the browser until the server has them on disk; each has a key of its own, so one
 * that is sent twice is written once.
 */
export function useRun(id: string) {
  const display = useDisplay()
  const queries = useQueryClient()
  const store = `queue-${id}`
  const queue = ref<Queued[]>(JSON.parse(localStorage.getItem(store) ?? '[]') as Queued[])
  const refused = ref<Refused | null>(null)
  const offline = ref(false)
  const busy = ref(false)
  const queryKey = computed(() => ['run', id, display.pressure])
  const query = useQuery({ queryKey, queryFn: () => call<RunView>('GET', `/api/runs/${id}?${display.query}`) })

  function keep() {
    localStorage.setItem(store, JSON.stringify(queue.value))
  }

  async function flush(): Promise<boolean> {
    if (busy.value) return false
    busy.value = true
    try {
      while (queue.value[0]) {
        const { key, event } = queue.value[0]
        const view = await call<RunView>('POST', `/api/runs/${id}/events?${display.query}`, { key, ...event })
        queue.value.shift()
        keep()
        offline.value = false
        queries.setQueryData(queryKey.value, view)
      }
      return true
    } catch (e) {
      const problem = asRefused(e)
      offline.value = problem.offline
      if (!problem.offline) {
        // Refused for good: it stays on screen as typed, but need not be sent again.
        queue.value.shift()
        keep()
        refused.value = problem
      }
      return false
    } finally {
      busy.value = false
    }
  }

  /** True once it is on disk at the server. */
  function send(event: RunEvent): Promise<boolean> {
    refused.value = null
    queue.value.push({ key: newKey(), event })
    keep()
    return flush()
  }

  const retry = setInterval(() => {
    if (queue.value.length) void flush()
  }, 2000)
  onScopeDispose(() => clearInterval(retry))

  return { run: query.data, loadError: query.error, refetch: query.refetch, send, queue, refused, offline, busy }
}

function newKey(): string {
  return Array.from(crypto.getRandomValues(new Uint8Array(12)), (b) => b.toString(16).padStart(2, '0')).join('')
}
