import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, onScopeDispose, ref, shallowRef, watch } from 'vue'
import { asRefused, call, type Refused, type Schema } from '../api/client'
import { useDisplay } from '../display/display'
import { newKey, outbox, type RunEvent, type Waiting } from './outbox'

export type { RunEvent } from './outbox'
export type RunView = Schema['RunView']

const TRY_AGAIN_MS = 2000

/** A run and its log; what is entered waits in the outbox until the server has it on disk. */
export function useRun(id: string) {
  const display = useDisplay()
  const queries = useQueryClient()
  const waiting = ref<Waiting[]>([])
  const refused = ref<Refused | null>(null)
  const stopped = shallowRef<Refused>()
  const busy = ref(false)
  const queryKey = computed(() => ['run', id, display.pressure])
  const query = useQuery({ queryKey, queryFn: async () => newer(await call<RunView>('GET', `/api/runs/${id}?${display.query}`)) })
  const box = computed(() => (query.data.value?.uuid ? outbox(query.data.value.uuid) : undefined))

  /** A view asked for earlier may come later than the answer to an entry. */
  function newer(view: RunView): RunView {
    const have = queries.getQueryData<RunView>(queryKey.value)
    return have && have.seq > view.seq ? have : view
  }

  async function flush(): Promise<Map<string, Refused>> {
    if (!box.value) return new Map()
    busy.value = true
    try {
      const done = await box.value.flush(
        (e) => call<RunView>('POST', `/api/runs/${id}/events?${display.query}`, { key: e.key, ...e.event }),
        (view) => queries.setQueryData(queryKey.value, newer(view)),
      )
      stopped.value = done.stopped
      // Somebody else has gone on: look at the run as it stands now.
      if ([...done.refused.values()].some((r) => r.status === 409)) void query.refetch()
      return done.refused
    } finally {
      waiting.value = box.value ? await box.value.entries() : []
      busy.value = false
    }
  }

  /** True once it is on disk at the server, false where it was refused; undefined while it waits. */
  async function send(event: RunEvent): Promise<boolean | undefined> {
    if (!box.value) return false
    busy.value = true
    refused.value = null
    try {
      const key = await box.value.add(event)
      waiting.value = await box.value.entries()
      const mine = (await flush()).get(key)
      if (mine) refused.value = mine
      return mine ? false : waiting.value.some((e) => e.key === key) ? undefined : true
    } finally {
      busy.value = false
    }
  }

  /** The end of a pause goes before whatever waits for it. */
  async function goOn() {
    busy.value = true
    refused.value = null
    try {
      const body = { key: newKey(), kind: 'went-on' }
      queries.setQueryData(queryKey.value, newer(await call<RunView>('POST', `/api/runs/${id}/events?${display.query}`, body)))
    } catch (e) {
      refused.value = asRefused(e)
      // Somebody else may have gone on already.
      void query.refetch()
    }
    await flush()
  }

  /** Somebody else, or another tab, has written as far as this. */
  function seen(seq: number) {
    // The stream says it many times a second: what is being fetched is awaited, not begun anew.
    if (query.data.value && seq > query.data.value.seq && !busy.value) void query.refetch({ cancelRefetch: false })
  }

  watch(box, () => void flush())
  const retry = setInterval(() => {
    if (waiting.value.length && !busy.value) void flush()
  }, TRY_AGAIN_MS)
  onScopeDispose(() => clearInterval(retry))

  /** An answer is awaited: to what was entered, or to how the run stands now. */
  const awaits = computed(() => busy.value || query.isFetching.value)

  return { run: query.data, loadError: query.error, refetch: query.refetch, send, goOn, seen, waiting, stopped, refused, busy, awaits }
}
