import { computed, onScopeDispose, ref, shallowRef } from 'vue'
import type { Schema } from '../api/client'

export type LiveView = Schema['LiveView']
/** What changes only when a hand, or the machine's own protection, moves something. */
export type Handles = Pick<LiveView, 'running' | 'openings' | 'valves' | 'vents' | 'speeds' | 'screws' | 'ready' | 'stops'> & {
  wrong: boolean
}
type Trace = Record<string, { t: number; bar: number }[]>

const TRACE_S = 120
/** Points of a trace lie so far apart at least, s. */
const APART_S = 0.15
/** The page is drawn so often at most, ms: nobody reads figures that change faster, and a picture takes a tablet's breath. */
const FIGURES_MS = 95
const PICTURE_MS = 290
/** A stream that has said nothing for so long is lost, whatever the connection believes, ms. */
const SILENT_MS = 1500

function handlesOf({ running, openings, valves, vents, speeds, screws, ready, stops, wrong }: LiveView): Handles {
  return { running, openings, valves, vents, speeds, screws, ready, stops, wrong: wrong.length > 0 }
}

/** Nothing has moved, and nobody has gone on. */
function isShown(now: LiveView, shown: LiveView): boolean {
  return now.timeS === shown.timeS && now.seq === shown.seq
}

/** Each gauge's last two minutes with what it shows now. */
function onwards(points: Trace, now: LiveView): Trace {
  const next: Trace = {}
  for (const [id, gauge] of Object.entries(now.gauges)) {
    const kept = (points[id] ?? []).filter((p) => p.t > now.timeS - TRACE_S && p.t <= now.timeS)
    const last = kept[kept.length - 1]
    next[id] = last && now.timeS - last.t < APART_S ? kept : [...kept, { t: now.timeS, bar: gauge.bar }]
  }
  return next
}

/** The live stream of a run: its machine with the last two minutes of each gauge, or just how far its log goes. */
export function useLive(runId: string, seen: (seq: number) => void) {
  const live = shallowRef<LiveView>()
  const handles = shallowRef<Handles>()
  const trace = shallowRef<Trace>({})
  let points: Trace = {}
  let shownAt = 0
  let drawnAt = 0
  const heardAt = ref(0)
  const now = ref(Date.now())
  const closed = ref('')
  const source = new EventSource(`/api/runs/${runId}/live`)

  function show(whole: LiveView) {
    shownAt = heardAt.value
    live.value = whole
    const stand = handlesOf(whole)
    if (JSON.stringify(stand) !== JSON.stringify(handles.value)) handles.value = stand
  }

  /** What a handle answered is shown at once: the next press counts from there. */
  function answered(whole: LiveView) {
    heardAt.value = Date.now()
    show(whole)
  }

  source.onmessage = (message: MessageEvent<string>) => {
    const sample = JSON.parse(message.data) as Partial<LiveView>
    heardAt.value = Date.now()
    now.value = heardAt.value
    if (sample.seq) seen(sample.seq)
    closed.value = sample.closed ?? ''
    if (!sample.gauges || sample.closed) return
    const whole = sample as LiveView
    // Sent before a handle was moved, and overtaken by its answer; or of a machine whose time stands still.
    if (live.value && (whole.sampledAt < live.value.sampledAt || isShown(whole, live.value))) return
    points = onwards(points, whole)
    if (heardAt.value - shownAt >= FIGURES_MS) show(whole)
    if (heardAt.value - drawnAt >= PICTURE_MS) {
      drawnAt = heardAt.value
      trace.value = points
    }
  }
  source.onerror = () => (now.value = Date.now())
  const clock = setInterval(() => (now.value = Date.now()), 500)
  onScopeDispose(() => {
    source.close()
    clearInterval(clock)
  })
  /** Since when nothing has come, ms since 1970; 0 while the stream lives, or has not begun. */
  const lostSince = computed(() => (live.value && now.value - heardAt.value > SILENT_MS ? heardAt.value : 0))
  return { live, handles, trace, lostSince, closed, answered }
}
