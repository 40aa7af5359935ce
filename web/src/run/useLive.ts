import { onScopeDispose, ref, shallowRef } from 'vue'
import type { Schema } from '../api/client'

export type LiveView = Schema['LiveView']

const TRACE_S = 30

/** The live stream of a run's machine, with the last half minute of each gauge. */
export function useLive(runId: string) {
  const live = shallowRef<LiveView>()
  const trace = shallowRef<Record<string, { t: number; bar: number }[]>>({})
  const connected = ref(false)
  const source = new EventSource(`/api/runs/${runId}/live`)
  source.onopen = () => (connected.value = true)
  source.onerror = () => (connected.value = false)
  source.onmessage = (message: MessageEvent<string>) => {
    const sample = JSON.parse(message.data) as LiveView
    live.value = sample
    const next: Record<string, { t: number; bar: number }[]> = {}
    for (const [id, gauge] of Object.entries(sample.gauges)) {
      const kept = (trace.value[id] ?? []).filter((p) => p.t > sample.timeS - TRACE_S && p.t <= sample.timeS)
      next[id] = [...kept, { t: sample.timeS, bar: gauge.bar }]
    }
    trace.value = next
  }
  onScopeDispose(() => source.close())
  return { live, trace, connected }
}
