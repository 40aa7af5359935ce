import { expect, test } from 'vitest'
import type { Schema } from '../api/client'
import { grouped } from './grouped'

function step(id: string, kind: string, more: object = {}): Schema['StepView'] {
  return { id, kind, expect: [], notes: [], demand: null, ...more } as unknown as Schema['StepView']
}

test('checks without a reading stand together, anything else alone and in its place', () => {
  const steps = [
    step('s1', 'check'),
    step('s2', 'check'),
    step('s3', 'check', { notes: [{ key: 'oil', label: 'oil level' }] }),
    step('s4', 'check'),
    step('s5', 'set'),
    step('s6', 'check', { demand: 'zero' }),
  ]
  expect(grouped(steps).map((g) => g.map((s) => s.id))).toEqual([['s1', 's2'], ['s3'], ['s4'], ['s5'], ['s6']])
  expect(grouped([])).toEqual([])
})
