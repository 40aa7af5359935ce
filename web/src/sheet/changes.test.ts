import { describe, expect, it } from 'vitest'
import { apply, changes, conflicts } from './changes'

const base = () => ({
  tag: 'X-1',
  fluid: { tankL: 120 },
  components: [
    { id: 'P1', displacementCm3: 40, compensator: { settingBar: 160 } },
    { id: 'RV1', settingBar: 176 },
  ],
  targets: [{ setting: 'RV1', pressureBar: 176 }],
  bandC: [40, 60],
})

function first(unit: ReturnType<typeof base>) {
  return unit.targets[0] ?? { pressureBar: 0 }
}

describe('changes', () => {
  it('names the place, what stood there and what stands there now', () => {
    const after = base()
    Object.assign(after.components[0] ?? {}, { compensator: { settingBar: 150 } })
    after.targets.push({ setting: 'P1.compensator', pressureBar: 150 })
    after.bandC = [40, 70]
    expect(changes(base(), after)).toEqual([
      { path: ['components', 'P1', 'compensator', 'settingBar'], before: 160, after: 150 },
      { path: ['targets', 'P1.compensator'], before: undefined, after: { setting: 'P1.compensator', pressureBar: 150 } },
      { path: ['bandC'], before: [40, 60], after: [40, 70] },
    ])
    expect(changes(base(), base())).toEqual([])
  })

  it('leads from one version to the other when made again, and back', () => {
    const after = base()
    after.components.splice(1, 1)
    after.components.push({ id: 'TV1', settingBar: 0 })
    after.fluid.tankL = 90
    const there = base()
    for (const c of changes(base(), after)) apply(there, c)
    expect(changes(there, after)).toEqual([])
    const back = structuredClone(after)
    for (const c of changes(after, base())) apply(back, c)
    expect(changes(back, base())).toEqual([])
  })

  it('puts the work of two people together where they were at different places', () => {
    const ann = base()
    ann.fluid.tankL = 90
    const ben = base()
    first(ben).pressureBar = 180
    const mine = changes(base(), ann)
    const theirs = changes(base(), ben)
    expect(conflicts(mine, theirs)).toEqual([])
    for (const c of mine) apply(ben, c)
    expect(ben.fluid.tankL).toBe(90)
    expect(first(ben).pressureBar).toBe(180)
  })

  it('finds where they were at the same place, also when one took the part away', () => {
    const ann = base()
    first(ann).pressureBar = 170
    const ben = base()
    first(ben).pressureBar = 180
    expect(conflicts(changes(base(), ann), changes(base(), ben))).toHaveLength(1)
    const gone = base()
    gone.targets.splice(0, 1)
    expect(conflicts(changes(base(), ann), changes(base(), gone))).toHaveLength(1)
    expect(conflicts(changes(base(), ann), changes(base(), ann))).toEqual([])
  })
})
