import type { Schema } from '../api/client'
import type { Trend } from '../history/history'
import type { Word } from '../words'

export type Upkeep = Schema['UpkeepView']
export type Task = Schema['UpkeepTaskView']
export type Sample = Schema['OilSampleView']

/** What is written down: kind, day, who, and what it says. */
export type Written = Record<string, unknown> & { kind: string }

/** What the page offers to all that write: answers true once it is kept. */
export type Write = (entry: Written) => Promise<boolean>

export const STATES: Record<string, { word: Word; chip: string }> = {
  due: { word: 'upkeep.state.due', chip: 'fail' },
  soon: { word: 'upkeep.state.soon', chip: 'cannot-tell' },
  unknown: { word: 'upkeep.state.unknown', chip: 'plain' },
  fine: { word: 'upkeep.state.fine', chip: 'pass' },
  waits: { word: 'upkeep.state.waits', chip: 'pass' },
}

export const COLOURS: Record<string, { word: Word; chip: string; mark: string }> = {
  green: { word: 'upkeep.green', chip: 'pass', mark: '●' },
  yellow: { word: 'upkeep.yellow', chip: 'cannot-tell', mark: '◆' },
  red: { word: 'upkeep.red', chip: 'fail', mark: '▲' },
}

/** One figure of the samples over the years, joined; those without it are left out. */
export function over(samples: Sample[], of: (s: Sample) => number | null | undefined, band: number[] = []): Trend {
  const left = samples.flatMap((s): [string, number][] => {
    const value = of(s)
    return value === null || value === undefined ? [] : [[s.on, value]]
  })
  return { spans: left.length > 1 ? [left] : [], left, found: [], bounds: [], band }
}
