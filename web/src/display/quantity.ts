export type PressureUnit = 'bar' | 'psi' | 'MPa'

const PER_BAR: Record<PressureUnit, number> = { bar: 1, psi: 14.503773773, MPa: 0.1 }
const DECIMALS: Record<PressureUnit, number> = { bar: 1, psi: 0, MPa: 2 }

export const PRESSURE_UNITS: PressureUnit[] = ['bar', 'psi', 'MPa']

export function fromBar(bar: number, unit: PressureUnit): number {
  return bar * PER_BAR[unit]
}

export function toBar(value: number, unit: PressureUnit): number {
  return value / PER_BAR[unit]
}

/** The number alone; whole numbers of bar lose their ".0" unless `fixed` asks for a steady width. */
export function pressureNumber(bar: number, unit: PressureUnit, fixed = false): string {
  const text = fromBar(bar, unit).toFixed(DECIMALS[unit])
  return fixed ? text : text.replace(/\.0$/, '')
}

/** Turns as a hand counts them: whole turns and sixteenths. */
export function turnsText(turns: number): string {
  const sixteenths = Math.round(Math.abs(turns) * 16)
  const whole = Math.floor(sixteenths / 16)
  let part = sixteenths % 16
  let of = 16
  while (part > 0 && part % 2 === 0) {
    part /= 2
    of /= 2
  }
  if (part === 0) {
    return `${whole}`
  }
  return whole === 0 ? `${part}/${of}` : `${whole} ${part}/${of}`
}

/** A number as typed, comma or point; NaN when it is none. */
export function typedNumber(text: string): number {
  return /^\s*[+-]?(\d+([.,]\d*)?|[.,]\d+)\s*$/.test(text) ? Number(text.replace(',', '.')) : Number.NaN
}
