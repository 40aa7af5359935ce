import { typedNumber, type PressureUnit } from './quantity'

/** So many of the first go into one, and a bit, where the zeros differ. */
type Scale = [factor: number, zero?: number]

/**
 * By the unit of the unit file, those in which paper has the same. Factors: SI Brochure, 9th edition; inch, pound and
 * gallon (US) by NIST SP 811.
 */
const SCALES: Record<string, Record<string, Scale>> = {
  bar: { bar: [1], psi: [0.06894757293168], MPa: [10], kPa: [0.01] },
  'bar/turn': { 'bar/turn': [1], 'psi/turn': [0.06894757293168], 'MPa/turn': [10] },
  'L/min': { 'L/min': [1], gpm: [3.785411784], 'L/s': [60], 'm3/h': [1000 / 60], 'm³/h': [1000 / 60] },
  'cm³': { 'cm³': [1], cm3: [1], cc: [1], 'in³': [16.387064], in3: [16.387064] },
  kW: { kW: [1], hp: [0.745699872], PS: [0.73549875], W: [0.001] },
  N: { N: [1], kN: [1000], lbf: [4.4482216152605], kgf: [9.80665] },
  L: { L: [1], dm3: [1], gal: [3.785411784], m3: [1000] },
  mm: { mm: [1], cm: [10], m: [1000], in: [25.4] },
  'N·m': { 'N·m': [1], Nm: [1], 'lbf·ft': [1.3558179483314], 'lbf-ft': [1.3558179483314] },
  s: { s: [1], min: [60] },
  '°C': { '°C': [1], C: [1], '°F': [1 / 1.8, -32 / 1.8], F: [1 / 1.8, -32 / 1.8] },
  /** a difference of temperatures */
  K: { K: [1], '°F': [1 / 1.8] },
}
/** What people read who read psi. */
const BESIDE_PSI: Record<string, string> = { 'L/min': 'gpm', kW: 'hp', N: 'lbf', '°C': '°F', K: '°F' }
const TYPED = /^\s*([+-]?[\d.,]+)\s*([A-Za-z°%].*?)\s*$/

/** The unit in which those who read pressures in `pressure` have what the file has in `unit`. */
export function unitBeside(unit: string, pressure: PressureUnit): string {
  if (unit === 'bar') return pressure
  if (unit === 'bar/turn') return `${pressure}/turn`
  return pressure === 'psi' ? (BESIDE_PSI[unit] ?? unit) : unit
}

function scale(own: string, unit: string): Scale | undefined {
  const there = Object.entries(SCALES[own] ?? {}).find(([name]) => name.toLowerCase() === unit.toLowerCase())
  return there?.[1] ?? (own === unit ? [1] : undefined)
}

/** From the unit of the file. */
export function outOf(own: string, value: number, unit: string): number {
  const [factor, zero = 0] = scale(own, unit) ?? [Number.NaN]
  return (value - zero) / factor
}

/** Into the unit of the file. */
export function into(own: string, value: number, unit: string): number {
  const [factor, zero = 0] = scale(own, unit) ?? [Number.NaN]
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
