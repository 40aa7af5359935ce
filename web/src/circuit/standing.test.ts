import { describe, expect, it } from 'vitest'
import type { Schema } from '../api/client'
import { wire } from './drawing'
import { useStanding } from './useStanding'

describe('how parts stand by the model', () => {
  const steady = {
    components: { RV1: { flowLpm: 12 }, CV1: { flowLpm: -3 }, TV1: { flowLpm: 0.01 }, P1: { flowLpm: 40 } },
    inControl: { P: 'P1.compensator', A: 'RV1', B: null },
  } as unknown as Schema['SteadyView']
  const { passing, holds, runs } = useStanding({ steady })
  const relief = { id: 'RV1', type: 'relief-valve', inlet: 'A', outlet: 'T' }
  const check = { id: 'CV1', type: 'check-valve', inlet: 'P', outlet: 'A' }

  it('says who holds a line, by its part', () => {
    expect(holds({ id: 'P1', type: 'pump' })).toBe(true)
    expect(holds(relief)).toBe(true)
    expect(holds(check)).toBe(false)
  })

  it('takes a trace for shut', () => {
    expect(passing(relief)).toBe(true)
    expect(passing({ id: 'TV1', type: 'throttle', a: 'P', b: 'T' })).toBe(false)
  })

  it('lets oil run from the inlet to the outlet, and back where it flows back', () => {
    expect(runs(relief, wire('A', 0, 0, 9))).toBe(-1)
    expect(runs(check, wire('P', 0, 0, 9))).toBe(1)
    expect(runs(check, wire('A', 0, 0, 9))).toBe(-1)
    expect(runs({ id: 'P1', type: 'pump', inlet: 'T', outlet: 'P' }, wire('P', 0, 0, 9))).toBe(1)
    expect(runs({ id: 'RV1', type: 'relief-valve' }, wire('A', 0, 0, 9))).toBe(0)
  })
})
