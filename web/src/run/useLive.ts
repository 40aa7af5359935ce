import { computed, onScopeDispose, ref, shallowRef } from 'vue'
import type { Schema } from '../api/client'

export type LiveView = Schema['LiveView']

const TRACE_S = 120
/** Points of a trace lie so far apart at least, s. */
const APART_S = 0.15
/** A stream that has said nothing for so long is lost, whatever the connection believes, ms. */
const SILENT_MS = 1500

/** The live stream of a run: its machine with the last two minutes of each gauge, or just how far its log goes. */
export function useLive(runId: string, seen: (seq: number) => void) {
  const live = shallowRef<LiveView>()
  const trace = shallowRef<Record<string, { t: number; bar: number }[]>>({})
  const heardAt = ref(0)
  const now = ref(Date.now())
  const closed = ref('')
  const source = new EventSource(`/api/runs/${runId}/live`)
  source.onmessage = (message: MessageEvent<string>) => {
    const sample = JSON.parse(message.data) as Partial<LiveView>
    heardAt.value = Date.now()
    now.value = heardAt.value
    if (sample.seq) seen(sample.seq)
    closed.value = sample.closed ?? ''
    if (!sample.gauges || sample.closed) return
    live.value = sample as LiveView
    const next: Record<string, { t: number; bar: number }[]> = {}
    const timeS = sample.timeS ?? 0
    for (const [id, gauge] of Object.entries(sample.gauges)) {
      const kept = (trace.value[id] ?? []).filter((p) => p.t > timeS - TRACE_S && p.t <= timeS)
      const last = kept[kept.length - 1]
      next[id] = last && timeS - last.t < APART_S ? kept : [...kept, { t: timeS, bar: gauge.bar }]
    }
    trace.value = next
  }
  source.onerror = () => (now.value = Date.now())
  const clock = setInterval(() => (now.value = Date.now()), 500)
  onScopeDispose(() => {
    source.close()
    clearInterval(clock)
  })
  /** Since when nothing has come, ms since 1970; 0 while the stream lives, or has not begun. */
  const lostSince = computed(() => (live.value && now.value - heardAt.value > SILENT_MS ? heardAt.value : 0))
  return { live, trace, lostSince, closed }
}
