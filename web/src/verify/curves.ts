import type { Schema } from '../api/client'
import { say, type Word } from '../words'

export type Curve = Schema['CurveView']

/** What is drawn upward and what along: flow over pressure of a pump, pressure over flow of a relief, difference over flow. */
export function place(curve: Curve, bar: number, lpm: number, signalBar?: number | null): [number, number] {
  if (curve.kind === 'pump') return [bar, lpm]
  return [lpm, curve.kind === 'margin' ? bar - (signalBar ?? 0) : bar]
}

const TITLES: Record<string, Word> = {
  pump: 'verify.title.pump',
  relief: 'verify.title.relief',
  margin: 'verify.title.margin',
}
const PARTS: Record<string, Word> = {
  leakage: 'verify.part.leakage',
  limited: 'verify.part.limited',
  'cut-off': 'verify.part.cut-off',
  open: 'verify.part.open',
  shut: 'verify.part.shut',
  stalled: 'verify.part.stalled',
  between: 'verify.part.between',
  struck: 'verify.part.struck',
}
const PARAMETERS: Record<string, Word> = {
  volumetricEfficiency: 'verify.parameter.volumetricEfficiency',
  leakage: 'verify.parameter.leakage',
  cutOff: 'verify.parameter.cutOff',
  limit: 'verify.parameter.limit',
  cracking: 'verify.parameter.cracking',
  override: 'verify.parameter.override',
  fullFlow: 'verify.parameter.fullFlow',
  reseat: 'verify.parameter.reseat',
  margin: 'verify.parameter.margin',
}

function named(words: Record<string, Word>, key: string, ...values: string[]): string {
  const word = words[key]
  return word ? say(word, ...values) : key
}

export const titleOf = (curve: Curve) => named(TITLES, curve.kind, curve.subject)
export const partOf = (region: string) => named(PARTS, region)
export const parameterOf = (key: string) => named(PARAMETERS, key)
