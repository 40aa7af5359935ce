import { describe, expect, it } from 'vitest'
import { aboveTarget } from './upkeep'

describe('cleanliness over the years', () => {
  it.each([
    ['22/20/16', '18/16/13', 4],
    ['17/15/12', '18/16/13', -1],
    ['18/16/15', '18/16/13', 2],
    ['-/18/15', '18/16/13', 2],
    ['22/20/16', undefined, undefined],
    [null, '18/16/13', undefined],
    ['clean', '18/16/13', undefined],
  ])('%s against %s', (code, target, above) => {
    expect(aboveTarget(code, target)).toBe(above)
  })
})
