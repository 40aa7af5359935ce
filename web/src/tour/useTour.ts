import { defineStore } from 'pinia'
import { computed, ref, watch } from 'vue'
import { asRefused, call, type Refused, type Schema } from '../api/client'
import { newKey } from '../run/outbox'
import type { RunView } from '../run/useRun'
import { say } from '../words'
import { handAt } from './hand'
import { userName } from '../display/userName'

/** In the order in which they are walked; `ready`: the rig is brought to the first screw. */
export const STOPS = ['sheet', 'plan', 'ready', 'screw', 'end'] as const
export type Stop = (typeof STOPS)[number]

interface Kept {
  /** undefined before it began, and after it was left */
  stop?: Stop
  tag: string
  run?: number
  /** the number of the step that a newcomer does */
  screw?: number
  /** offered once; whoever said no finds it behind `?` */
  offered: boolean
}

const PLACE = 'tour'
/** In a workshop without the demo units the practice unit stands under a tag of its own. */
const OWN_TAG = 'PRACTICE'

function kept(): Kept {
  try {
    return { tag: '', offered: false, ...(JSON.parse(localStorage.getItem(PLACE) ?? '{}') as Partial<Kept>) }
  } catch {
    return { tag: '', offered: false }
  }
}

/** A screw that is turned until a gauge reads what it must. */
function isScrew(step: Schema['StepView'] | undefined): boolean {
  return step?.way === 'turn-to-reading'
}

/** A walk of three minutes from the sheet to the first set screw; kept in the browser, left at any moment. */
export const useTour = defineStore('tour', () => {
  const state = ref(kept())
  watch(state, (now) => localStorage.setItem(PLACE, JSON.stringify(now)), { deep: true })
  const refused = ref<Refused | null>(null)
  const busy = ref(false)
  let walking = false
  const view = ref<RunView>()
  const stop = computed(() => state.value.stop)
  /** How many steps come before the first screw; 0 while that is not known. */
  const before = ref(0)
  const done = computed(() => Math.min(before.value, (view.value?.stepNumber ?? 1) - 1))

  function at(next: Stop) {
    state.value.stop = next
  }

  function leave() {
    state.value = { tag: '', offered: true }
    refused.value = null
  }

  /** @returns the tag of the unit that is walked through; the demo's own where it is there, else one that is put in */
  async function begin(): Promise<string | undefined> {
    return attempt(async () => {
      const { default: file } = await import('../../../demo/units/LG-07.json')
      const units = await call<Schema['UnitSummary'][]>('GET', '/api/units')
      const there = units.find((u) => (u.tag === file.tag && u.name === file.name) || u.tag === OWN_TAG)
      if (!there) await call('POST', '/api/units', { ...file, tag: OWN_TAG, name: say('tour.unit') })
      state.value = { stop: 'sheet', tag: there?.tag ?? OWN_TAG, offered: true }
      return state.value.tag
    })
  }

  /** @returns the number of the practice run */
  async function startRun(): Promise<number | undefined> {
    return attempt(async () => {
      const technician = userName() || say('tour.newcomer')
      const body = { tag: state.value.tag, technician, school: 'auto', practice: true, rig: 'easy', key: newKey() }
      const run = await call<RunView>('POST', '/api/runs', body)
      state.value.run = run.id
      at('ready')
      return run.id
    })
  }

  /** The guide's hand does what comes before the first screw; ends where the tour is left or the run is gone. */
  async function bringToScrew() {
    const run = state.value.run
    if (run === undefined || walking) return
    walking = true
    await attempt(() =>
      alone(async () => {
        const plan = await call<Schema['PlanView']>('GET', `/api/units/${encodeURIComponent(state.value.tag)}/plan.json`)
        before.value = plan.phases.flatMap((p) => p.steps).findIndex(isScrew)
        const hand = handAt(run)
        view.value = await hand.look()
        while (stop.value === 'ready' && !isScrew(view.value.step) && !view.value.finished) view.value = await hand.doStep(view.value)
        state.value.screw = view.value.stepNumber
        if (stop.value === 'ready') at('screw')
      }),
    )
    walking = false
  }

  /** The newcomer's screw is set; a page may still show where the run stood before the hand came to that screw. */
  function seen(run: RunView) {
    if (stop.value === 'screw' && (run.finished || run.stepNumber > (state.value.screw ?? 0))) at('end')
  }

  async function attempt<T>(work: () => Promise<T>): Promise<T | undefined> {
    busy.value = true
    refused.value = null
    try {
      return await work()
    } catch (e) {
      refused.value = asRefused(e)
      return undefined
    } finally {
      busy.value = false
    }
  }

  return { state, stop, before, done, refused, busy, at, begin, startRun, bringToScrew, seen, leave }
})

/** One guide over all tabs. */
async function alone(work: () => Promise<void>) {
  if (!navigator.locks) return work()
  await navigator.locks.request(PLACE, { ifAvailable: true }, (lock) => (lock ? work() : undefined))
}
