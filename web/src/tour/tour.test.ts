import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import { handAt } from './hand'
import { useTour } from './useTour'
import type { RunView } from '../run/useRun'

type Sent = { key: string; body: Record<string, unknown> }

/** The server, where the tour ends: answers in turn by method and path. */
function serve(answers: Record<string, unknown[]>): Sent[] {
  const sent: Sent[] = []
  vi.stubGlobal('fetch', (path: string, init: { method: string; body?: string }) => {
    const key = `${init.method} ${path.split('?')[0]}`
    sent.push({ key, body: JSON.parse(init.body ?? '{}') as Record<string, unknown> })
    const [answer, ...more] = answers[key] ?? [null]
    if (more.length) answers[key] = more
    return Promise.resolve(new Response(JSON.stringify(answer), { status: 200 }))
  })
  return sent
}

beforeEach(() => {
  localStorage.clear()
  setActivePinia(createPinia())
})

describe('tour', () => {
  it('puts its own unit in where the demo has none, and never a second time', async () => {
    const sent = serve({ 'GET /api/units': [[{ tag: 'LG-07', name: 'Another lock gate' }], [{ tag: 'PRACTICE' }]] })
    expect(await useTour().begin()).toBe('PRACTICE')
    const [put] = sent.filter((s) => s.key === 'POST /api/units')
    expect(put?.body).toMatchObject({ tag: 'PRACTICE', name: 'Practice unit: lock gate' })
    expect(await useTour().begin()).toBe('PRACTICE')
    expect(sent.filter((s) => s.key === 'POST /api/units')).toHaveLength(1)
  })
  it('can be left at any moment, is not offered again, and survives a page loaded anew', async () => {
    serve({ 'GET /api/units': [[{ tag: 'LG-07', name: 'Lock-gate power unit, east leaf' }]] })
    const tour = useTour()
    expect(tour.state.offered).toBe(false)
    expect(await tour.begin()).toBe('LG-07')
    await Promise.resolve()
    setActivePinia(createPinia())
    expect(useTour().stop).toBe('sheet')
    useTour().leave()
    await Promise.resolve()
    setActivePinia(createPinia())
    expect(useTour().stop).toBeUndefined()
    expect(useTour().state.offered).toBe(true)
  })
  it('ends behind the screw, not by a page that still shows a step before it', async () => {
    const screw = { stepNumber: 8, step: { way: 'turn-to-reading' } } as RunView
    serve({
      'POST /api/runs': [{ id: 3 }],
      'GET /api/units/LG-07/plan.json': [{ phases: [{ steps: [{ way: 'look' }, screw.step] }] }],
      'GET /api/runs/3': [screw],
    })
    const tour = useTour()
    tour.state.tag = 'LG-07'
    await tour.startRun()
    await tour.bringToScrew()
    const stops = [3, 8, 9].map((stepNumber) => (tour.seen({ ...screw, stepNumber }), tour.stop))
    expect(stops).toEqual(['screw', 'screw', 'end'])
  })
})

describe('the hand at the practice rig', () => {
  const still = { running: { M1: true }, openings: { TV1: 1 }, valves: {}, gauges: { G1: { settled: true } }, motors: {}, oilC: 20 }
  const step = {
    id: 's8',
    kind: 'test',
    situation: { drivers: { M1: { running: false } }, openings: { TV1: 0 } },
    notes: [{ key: 'note.leaks', choices: [{ text: 'none' }] }],
    expect: [{ testPoint: 'G1' }],
  }
  const view = { id: 3, step, missing: ['G1'], readings: [] } as unknown as RunView

  it('stops the drive before it moves a valve, notes what is well, reads what stands, and goes on', async () => {
    const read = { ...view, missing: [], readings: [{ instrument: 'G1', grade: 'pass' }] }
    const sent = serve({
      'POST /api/runs/3/rig': [{ live: still, made: 0 }],
      'POST /api/runs/3/events': [view, read, { ...view, step: { ...step, id: 's9' } }],
      'GET /api/runs/3': [view, read],
    })
    const after = await handAt(3).doStep(view)
    expect(after.step?.id).toBe('s9')
    const deeds = sent.filter((s) => s.body.action !== 'pass' && s.key.startsWith('POST'))
    expect(deeds.map((s) => [s.body.action ?? s.body.kind, s.body.target ?? s.body.note ?? s.body.instrument])).toEqual([
      ['stop', 'M1'],
      ['open', 'TV1'],
      ['noted', 'note.leaks'],
      ['live-reading', 'G1'],
      ['step-done', undefined],
    ])
    expect(new Set(sent.map((s) => s.body.key)).size).toBe(sent.filter((s) => s.key.startsWith('POST')).length + 1)
  })
  it('opens the gate that stands shut', async () => {
    const sent = serve({ 'POST /api/runs/3/events': [view] })
    await handAt(3).doStep({ ...view, step: undefined, waitingAt: { phase: 'paper', title: '', conditions: [] } } as unknown as RunView)
    expect(sent.map((s) => s.body)).toEqual([expect.objectContaining({ kind: 'hold-opened', phase: 'paper' })])
  })
})
