import measures from '../../../api/measures.json'
import { typedNumber, type PressureUnit } from './quantity'

/** A unit of the file and the others in which paper has the same: so many of the first go into one, and where its zero lies. */
interface Measure {
  /** the one that people read who read psi */
  psi: string
  units: Record<string, number[]>
}

const MEASURES: Measure[] = Object.values(measures)
/** How far one turn of a screw goes is measured like what it moves. */
const A_TURN = '/turn'
const TYPED = /^\s*([+-]?[\d.,]+)\s*([A-Za-z°%].*?)\s*$/

function measureOf(own: string): Measure | undefined {
  return MEASURES.find((m) => own in m.units)
}

/** The unit in which those who read pressures in `pressure` have what the file has in `unit`. */
export function unitBeside(unit: string, pressure: PressureUnit): string {
  if (unit.endsWith(A_TURN)) return unitBeside(unit.slice(0, -A_TURN.length), pressure) + A_TURN
  if (unit === 'bar') return pressure
  return pressure === 'psi' ? (measureOf(unit)?.psi ?? unit) : unit
}

function scale(own: string, unit: string): number[] {
  if (own.endsWith(A_TURN) && unit.endsWith(A_TURN)) return scale(own.slice(0, -A_TURN.length), unit.slice(0, -A_TURN.length))
  const there = Object.entries(measureOf(own)?.units ?? {}).find(([name]) => name.toLowerCase() === unit.toLowerCase())
  return there?.[1] ?? (own === unit ? [1, 0] : [Number.NaN, 0])
}

/** From the unit of the file. */
export function outOf(own: string, value: number, unit: string): number {
  const [factor = 1, zero = 0] = scale(own, unit)
  return (value - zero) / factor
}

/** Into the unit of the file. */
export function into(own: string, value: number, unit: string): number {
  const [factor = 1, zero = 0] = scale(own, unit)
  return value * factor + zero
}

/** What was typed, in the unit of the file; a number without a unit is in `bare`. NaN when it is none. */
export function typedInto(own: string, text: string, bare: string): number {
  const [, number, unit] = TYPED.exec(text) ?? [undefined, text, bare]
  return into(own, typedNumber(number ?? ''), unit ?? bare)
}

/** A bare number gets its unit, so that whoever reads it later knows what was meant; anything else stays as typed. */
export function withUnit(text: string, unit: string): string {
  return Number.isNaN(typedNumber(text)) ? text : `${text.trim()} ${unit}`
}

/** True when the text brings a unit along. */
export function namesUnit(text: string): boolean {
  return TYPED.test(text)
}
