import type { Schema } from '../api/client'
import { say, type Word } from '../words'

export type History = Schema['HistoryView']
export type Commissioning = Schema['CommissioningView']
export type SettingHistory = Schema['SettingHistoryView']
export type PumpHistory = Schema['PumpHistoryView']

/** A day and a value: bar, or a ratio. */
export type Dot = [day: string, value: number]

/** What a chart of the years draws. */
export interface Trend {
  /** from a leaving to the next finding */
  spans: Dot[][]
  left: Dot[]
  found: Dot[]
  /** what is not known for certain: from the lowest to the highest that it may be */
  bounds: Dot[][]
  /** asked today; empty where nothing is */
  band: number[]
}

/** A setting moves from where it was left to where it was found; what a hand did between is no part of it. */
export function trendOf(setting: SettingHistory): Trend {
  const dots = (of: (s: SettingHistory['stood'][number]) => number | null | undefined) =>
    setting.stood.flatMap((s): Dot[] => {
      const value = of(s)
      return value === null || value === undefined ? [] : [[s.on, value]]
    })
  const spans = setting.stood.flatMap((s, i): Dot[][] => {
    const before = setting.stood[i - 1]
    const there = before?.leftBar !== null && before?.leftBar !== undefined && s.foundBar !== null && s.foundBar !== undefined
    return there ? [[dot(before.on, before.leftBar), dot(s.on, s.foundBar)]] : []
  })
  const { targetBar: target, toleranceBar: tolerance } = setting
  const asked = target !== null && target !== undefined
  return {
    spans,
    left: dots((s) => s.leftBar),
    found: dots((s) => s.foundBar),
    bounds: [],
    band: asked ? [target - (tolerance ?? 0), target + (tolerance ?? 0)] : [],
  }
}

/** A pump's measures, joined as far as it is the same pump; nothing is asked of them but not to fall below what is called worn. */
export function efficiencies(pump: PumpHistory): Trend {
  const left = pump.measured.map((m): Dot => [m.on, m.volumetricEfficiency])
  const bounds = pump.measured.map((m): Dot[] => [
    [m.on, m.volumetricEfficiency - m.plusMinus],
    [m.on, m.volumetricEfficiency + m.plusMinus],
  ])
  const spans = left.slice(1).map((d, i): Dot[] => [left[i] ?? d, d])
  return { spans: spans.filter(([, to]) => to?.[0] !== pump.began), left, found: [], bounds, band: [] }
}

function dot(on: string, value?: number | null): Dot {
  return [on, value ?? 0]
}

const SOURCES: Record<string, Word> = {
  'field-sheet': 'history.field-sheet',
  record: 'history.record',
  'proved-record': 'history.proved-record',
}

/** Where a commissioning is known from. */
export function sourceOf(c: Commissioning, day: (at: string) => string): string {
  const word = SOURCES[c.source]
  if (!word) return say('history.run', c.run ?? 0, c.unitRevision ?? 0)
  const put = say(word, c.typedAt ? day(c.typedAt) : '')
  return c.typedBy ? say('history.typed-by', put, c.typedBy) : put
}

const DRIFTS: Record<string, { word: Word; chip: string }> = {
  'cannot-tell': { word: 'history.drift-word.cannot-tell', chip: 'plain' },
  stands: { word: 'history.drift-word.stands', chip: 'pass' },
  creeps: { word: 'history.drift-word.creeps', chip: 'cannot-tell' },
  moved: { word: 'history.drift-word.moved', chip: 'fail' },
}

export function driftOf(kind: string): { said: string; chip: string } {
  const drift = DRIFTS[kind]
  return drift ? { said: say(drift.word), chip: drift.chip } : { said: kind, chip: 'plain' }
}
