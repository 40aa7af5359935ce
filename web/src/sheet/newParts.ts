import type { UnitComponent, UnitFile } from '../units/unitFile'

type Values = Record<string, unknown>

const SCREW = { rangeBar: [10, 250], barPerTurn: 35, wrench: '17 mm / 5 mm hex' }
const ORIFICE = { ratedFlowLpm: 60, ratedDropBar: 6 }

/** Ordinary values for a new part of each type; all of them are defaults until somebody confirms them. */
const DEFAULTS: Record<string, { prefix: string; values: Values }> = {
  'electric-motor': { prefix: 'M', values: { ratedPowerKw: 15, syncSpeedRpm: 1500, ratedSpeedRpm: 1460, ratedCurrentA: 28.5 } },
  engine: { prefix: 'E', values: { ratedPowerKw: 55, speedsRpm: { lowIdle: 900, mid: 1500, highIdle: 2200 } } },
  'dc-motor': {
    prefix: 'M',
    values: { voltageV: 24, ratedPowerKw: 2, noLoadSpeedRpm: 3000, ratedSpeedRpm: 2400, ratedCurrentA: 110, noLoadCurrentA: 20, onTimeS: 40, cycleS: 600 },
  },
  pump: {
    prefix: 'P',
    values: { driver: '', inlet: 'T', outlet: '', displacementCm3: 40, ratedPressureBar: 250, volumetricEfficiency: 0.93, maxPressureBar: 280 },
  },
  'relief-valve': { prefix: 'RV', values: { acting: 'pilot', inlet: '', outlet: 'T', settingBar: 100, overrideBar: 6, ratedFlowLpm: 100, ...SCREW } },
  'unloading-valve': { prefix: 'UV', values: { inlet: '', outlet: 'T', pilot: '', settingBar: 60, ratedFlowLpm: 100, ratedDropBar: 4, ...SCREW } },
  'reducing-valve': { prefix: 'RD', values: { inlet: '', outlet: '', drain: 'T', settingBar: 50, ...ORIFICE, ...SCREW } },
  'sequence-valve': { prefix: 'SQ', values: { inlet: '', outlet: '', drain: 'T', settingBar: 80, reverseCheck: true, ...ORIFICE, ...SCREW } },
  'counterbalance-valve': { prefix: 'CB', values: { inlet: '', outlet: 'T', settingBar: 120, reverseCheck: true, ...ORIFICE, ...SCREW } },
  'check-valve': { prefix: 'CV', values: { inlet: '', outlet: '', ...ORIFICE } },
  orifice: { prefix: 'OR', values: { a: '', b: 'T', ratedFlowLpm: 1, ratedDropBar: 100, purpose: 'bleed' } },
  throttle: { prefix: 'TV', values: { a: '', b: 'T', ratedFlowLpm: 60, ratedDropBar: 20, purpose: 'load' } },
  'flow-control': { prefix: 'FC', values: { inlet: '', outlet: 'T', setLpm: 12, ratedFlowLpm: 40, ratedDropBar: 8 } },
  'directional-valve': { prefix: 'DV', values: { ports: ['T'], positions: { centre: [] }, start: 'centre', ...ORIFICE } },
  shuttle: { prefix: 'SH', values: { a: '', b: '', out: '' } },
  section: { prefix: 'S', values: { supply: '', return: 'T', signal: '', portA: '', portB: '', ratedFlowLpm: 90, ratedDropBar: 14 } },
  cylinder: { prefix: 'C', values: { cap: '', rod: 'T', boreMm: 80, rodMm: 45, strokeMm: 500 } },
  'hydraulic-motor': { prefix: 'H', values: { a: '', b: 'T', displacementCm3: 100, efficiency: 0.9 } },
  accumulator: { prefix: 'AC', values: { line: '', volumeL: 10, prechargeBar: 90 } },
  filter: { prefix: 'FL', values: { inlet: '', outlet: '', ratedFlowLpm: 80, ratedDropBar: 1, bypassBar: 3 } },
  leak: { prefix: 'LK', values: { a: '', b: 'T', flowLpm: 0.5, atBar: 100 } },
}

export const COMPENSATOR = { settingBar: 100, bandBar: 4, rangeBar: [20, 280], barPerTurn: 45, wrench: '13 mm / 4 mm hex' }
export const GROUPS: Record<string, Values> = {
  compensator: COMPENSATOR,
  loadSense: { marginBar: 20, bandBar: 2, signal: '', rangeBar: [10, 35], barPerTurn: 8, wrench: '13 mm / 4 mm hex' },
  powerLimiter: { limitKw: 10 },
  reliefA: { settingBar: 120, rangeBar: [40, 250], barPerTurn: 30 },
  reliefB: { settingBar: 120, rangeBar: [40, 250], barPerTurn: 30 },
}

const REFERENCES = ['driver', 'inlet', 'outlet', 'pilot', 'drain', 'a', 'b', 'out', 'supply', 'return', 'signal', 'portA', 'portB', 'cap', 'rod', 'line', 'ports', 'positions', 'start', 'acting', 'purpose']

function freeName(unit: UnitFile, prefix: string): string {
  for (let n = 1; ; n++) {
    if (!unit.components.some((c) => c.id === `${prefix}${n}`)) return `${prefix}${n}`
  }
}

/** Puts a new part in; gives its id and the places that hold defaults. Open ends go to the only line or driver there is. */
export function addPart(unit: UnitFile, type: string): { id: string; defaults: string[] } {
  const known = DEFAULTS[type] ?? { prefix: 'X', values: {} }
  const id = freeName(unit, known.prefix)
  const part: UnitComponent = { id, type, ...(structuredClone(known.values) as Values) }
  const driver = unit.components.find((c) => ['electric-motor', 'engine', 'dc-motor'].includes(c.type))
  for (const [key, value] of Object.entries(part)) {
    if (value === '') part[key] = key === 'driver' ? (driver?.id ?? '') : (unit.lines[0]?.id ?? '')
  }
  unit.components.push(part)
  const defaults = Object.keys(known.values).filter((key) => !REFERENCES.includes(key))
  return { id, defaults: defaults.map((key) => `components.${id}.${key}`) }
}

export const PART_TYPES = Object.keys(DEFAULTS)

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
