import { isDriver, kindOf } from '../parts/kinds'
import type { UnitComponent, UnitFile } from '../units/unitFile'

type Values = Record<string, unknown>

export const COMPENSATOR = { settingBar: 100, bandBar: 4, rangeBar: [20, 280], barPerTurn: 45, wrench: '13 mm / 4 mm hex' }
export const GROUPS: Record<string, Values> = {
  compensator: COMPENSATOR,
  loadSense: { marginBar: 20, bandBar: 2, signal: '', rangeBar: [10, 35], barPerTurn: 8, wrench: '13 mm / 4 mm hex' },
  powerLimiter: { limitKw: 10 },
  maxFlow: { rangeLpm: [10, 60], lpmPerTurn: 10 },
  positionNames: {},
  reliefA: { settingBar: 120, rangeBar: [40, 250], barPerTurn: 30 },
  reliefB: { settingBar: 120, rangeBar: [40, 250], barPerTurn: 30 },
}

const REFERENCES = [
  'driver',
  'inlet',
  'outlet',
  'pilot',
  'drain',
  'a',
  'b',
  'out',
  'supply',
  'return',
  'signal',
  'portA',
  'portB',
  'cap',
  'rod',
  'line',
  'ports',
  'positions',
  'start',
  'acting',
  'purpose',
]

function freeName(unit: UnitFile, prefix: string): string {
  for (let n = 1; ; n++) {
    if (!unit.components.some((c) => c.id === `${prefix}${n}`)) return `${prefix}${n}`
  }
}

/** Puts a new part in; gives its id and the places that hold defaults. Open ends go to the only line or driver there is. */
export function addPart(unit: UnitFile, type: string): { id: string; defaults: string[] } {
  const known = kindOf({ id: '', type })
  const id = freeName(unit, known.prefix)
  const part: UnitComponent = { id, type, ...structuredClone(known.values) }
  const driver = unit.components.find(isDriver)
  for (const [key, value] of Object.entries(part)) {
    if (value === '') part[key] = key === 'driver' ? (driver?.id ?? '') : (unit.lines[0]?.id ?? '')
  }
  unit.components.push(part)
  const defaults = Object.keys(known.values).filter((key) => !REFERENCES.includes(key))
  return { id, defaults: defaults.map((key) => `components.${id}.${key}`) }
}

/** A unit as it begins on screen: one pump line, nothing else. */
export function emptyUnit(tag: string, name: string): UnitFile {
  return {
    format: 'early-gate/unit/1',
    tag,
    name,
    drawing: {},
    display: { pressure: 'bar', flow: 'L/min', temperature: 'C' },
    fluid: { name: 'ISO VG 46', viscosity40: 46, viscosityIndex: 100, bandC: [40, 60], tankL: 100 },
    lines: [{ id: 'P', name: 'pump line', ratingBar: 250, volumeL: 1 }],
    components: [],
    testPoints: [],
    targets: [],
    work: [],
  }
}
