import { describe, expect, it } from 'vitest'
import { trendOf, type History } from './history'
import { emptyDraft, fromFile, toRecord } from './olderRecord'

const HISTORY = {
  tag: 'LG-07',
  commissionings: [],
  pumps: [{ pump: 'P1', measured: [], said: [] }],
  settings: [
    { setting: 'RV1', targetBar: 176, toleranceBar: 4, stood: [], said: '' },
    { setting: 'OLD', targetBar: null, stood: [], said: '' },
  ],
} as unknown as History

describe('an older record', () => {
  it('is typed in the unit that is shown, or in one that is named', () => {
    const draft = emptyDraft(HISTORY)
    expect(draft.settings.map((s) => s.setting)).toEqual(['RV1'])
    Object.assign(draft, { on: '2020-01-02', by: ' Ada ' })
    Object.assign(draft.settings[0] ?? {}, { found: '2500', left: '176 bar', reason: ' seal ' })
    const { record, wrong } = toRecord(draft, 'LG-07', 'psi')
    expect(wrong).toEqual([])
    expect(record.by).toBe('Ada')
    expect(record.settings[0]?.asFoundBar).toBeCloseTo(172.37, 1)
    expect(record.settings[0]?.asLeftBar).toBe(176)
    expect(record.settings[0]?.reason).toBe('seal')
    expect(record.pumps).toBeUndefined()
  })

  it('says what is no number, what has no bounds, and that nothing was filled in', () => {
    const draft = emptyDraft(HISTORY)
    expect(toRecord(draft, 'LG-07', 'bar').wrong[0]).toContain('No setting has a figure')
    Object.assign(draft.settings[0] ?? {}, { left: 'about 170' })
    Object.assign(draft.pumps[0] ?? {}, { efficiency: '0.9' })
    const { wrong } = toRecord(draft, 'LG-07', 'bar')
    expect(wrong).toEqual(['RV1: "about 170" is no number.', expect.stringContaining('P1')])
  })

  it('keeps a row of a file that the sheet does not know, and one that stands twice', () => {
    const rows = [
      { setting: 'XX', asLeftBar: 10 },
      { setting: 'RV1', asLeftBar: 176 },
      { setting: 'RV1', asLeftBar: 177 },
    ]
    const draft = fromFile({ format: '', tag: 'LG-07', settings: rows }, HISTORY, 'psi')
    expect(draft.settings.map((s) => [s.setting, s.left])).toEqual([
      ['RV1', '2552.7'],
      ['XX', '145.04'],
      ['RV1', '2567.2'],
    ])
  })
})

describe('what the form does not ask for', () => {
  it('is kept as the file has it', () => {
    const settings = [{ setting: 'RV1', asLeftBar: 176, gaugeErrorBar: 0.4 }]
    const file = { format: 'early-gate/older-record/1', tag: 'LG-07', on: '2020-01-02', by: 'Ada', oilC: 46, settings }
    const { record, wrong } = toRecord(fromFile(file, HISTORY, 'bar'), 'LG-07', 'bar')
    expect(wrong).toEqual([])
    expect(record).toEqual({ ...file, source: 'field-sheet' })
  })
})

describe('a trend', () => {
  it('goes from where it was left to where it was found, and no further', () => {
    const stood = [
      { key: 'a', on: '2020-01-01', foundBar: null, leftBar: 176, errorBar: 1 },
      { key: 'b', on: '2021-01-01', foundBar: 170, leftBar: null, errorBar: 1 },
      { key: 'c', on: '2022-01-01', foundBar: 165, leftBar: 176, errorBar: 1 },
    ]
    const trend = trendOf({ setting: 'RV1', targetBar: 176, toleranceBar: 4, stood, said: '' } as never)
    expect(trend.spans).toEqual([
      [
        ['2020-01-01', 176],
        ['2021-01-01', 170],
      ],
    ])
    expect(trend.found).toHaveLength(2)
    expect(trend.band).toEqual([172, 180])
  })
})
