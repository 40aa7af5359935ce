import { call, Refused, type Schema } from '../api/client'
import { newKey, type RunEvent } from '../run/outbox'
import type { RunView } from '../run/useRun'

type Step = Schema['StepView']
interface Machine {
  drivers?: Record<string, { running: boolean }>
  openings?: Record<string, number>
  positions?: Record<string, string>
}

/** What is written down of a machine on which all is well. */
const AS_IT_SHOULD_BE = 'as it should be'
const LOOK_AGAIN_MS = 400
/** A step that asks for more than this is left to a hand that knows better. */
const MOST_DEEDS = 120
/** Oil is warmed by so much at a time, s. */
const WARM_S = 300

/** A practised hand at the practice rig: it does what a step asks, by the same calls as the screen's own buttons. */
export function handAt(id: number) {
  async function rig(action: string, target = '', value = 0, position = ''): Promise<Schema['RigAnswer']> {
    return call('POST', `/api/runs/${id}/rig`, { action, target, value, position, key: newKey() })
  }

  function enter(event: RunEvent): Promise<RunView> {
    return call('POST', `/api/runs/${id}/events`, { key: newKey(), ...event })
  }

  function look(): Promise<RunView> {
    return call('GET', `/api/runs/${id}`)
  }

  /** Drives that must stand are stopped before a valve is moved, those that must run started after. */
  async function arrange(must: Machine) {
    const drivers = Object.entries(must.drivers ?? {})
    let { live } = await rig('pass')
    for (const [driver, { running }] of drivers) if (!running && live.running[driver]) await rig('stop', driver)
    for (const [valve, to] of Object.entries(must.openings ?? {}))
      if (Math.abs((live.openings[valve] ?? to) - to) > 1e-4) await rig('open', valve, to)
    for (const [valve, to] of Object.entries(must.positions ?? {}))
      if ((live.valves[valve]?.at ?? to) !== to) await rig('shift', valve, 0, to)
    live = (await rig('pass')).live
    for (const [driver, { running }] of drivers) if (running && !live.running[driver]) await rig('start', driver)
  }

  async function warm(low: number) {
    for (let i = 0; i < MOST_DEEDS && (await rig('pass')).live.oilC < low + 0.5; i++) await rig('pass', '', WARM_S)
  }

  async function toTheEnd(setting: string, inward: boolean) {
    while (Math.abs((await rig('turn', setting, inward ? 1 : -1)).made) > 1 - 1e-9);
  }

  async function begin(step: Step, view: RunView) {
    const setting = step.setting ?? ''
    await arrange(step.situation as Machine)
    if (step.way) await rig('nut', setting, step.kind === 'lock' ? 1 : 0)
    if (step.way === 'to-the-end') await toTheEnd(setting, view.advice?.code === 'advice.in-to-end')
    for (const note of step.notes) {
      const text = note.choices[0]?.text ?? AS_IT_SHOULD_BE
      await enter({ kind: 'noted', step: step.id, note: note.key, text })
    }
    const oil = step.expect.find((e) => e.testPoint === 'OIL')
    if (oil) await warm(oil.low)
  }

  /** Takes what stands; where nothing stands yet, it waits a moment. */
  async function read(step: string, instrument: string) {
    const { live } = await rig('pass')
    const settled = live.gauges[instrument]?.settled ?? live.motors[instrument]?.settled ?? true
    try {
      if (settled) return await enter({ kind: 'live-reading', step, instrument })
    } catch (e) {
      // Between two looks it has begun to move.
      if (!(e instanceof Refused) || e.status !== 409) throw e
    }
    await new Promise((wait) => setTimeout(wait, LOOK_AGAIN_MS))
  }

  /** Does the step at hand, or opens the gate that stands shut. */
  async function doStep(view: RunView): Promise<RunView> {
    if (view.waitingAt) return enter({ kind: 'hold-opened', phase: view.waitingAt.phase })
    const step = view.step
    if (!step) return view
    await begin(step, view)
    for (let i = 0; i < MOST_DEEDS; i++) {
      const now = await look()
      if (now.step?.id !== step.id) return now
      if (!now.missing.length) return enter({ kind: 'step-done', step: step.id })
      const turns = now.advice?.turns ?? 0
      if (turns && step.way !== 'to-the-end') await rig('turn', step.setting ?? '', turns)
      else {
        const unread = step.expect.find((e) => now.readings.find((r) => r.instrument === e.testPoint)?.grade !== 'pass')
        if (!unread) return now
        await read(step.id, unread.testPoint)
      }
    }
    return look()
  }

  return { look, doStep }
}
