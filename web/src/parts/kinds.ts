import { say } from '../words'
import { PURPOSES } from '../display/names'
import AccumulatorSymbol from '../circuit/symbols/AccumulatorSymbol.vue'
import CheckSymbol from '../circuit/symbols/CheckSymbol.vue'
import CylinderSymbol from '../circuit/symbols/CylinderSymbol.vue'
import FilterSymbol from '../circuit/symbols/FilterSymbol.vue'
import HydraulicMotorSymbol from '../circuit/symbols/HydraulicMotorSymbol.vue'
import MoverSymbol from '../circuit/symbols/MoverSymbol.vue'
import PressureValveSymbol from '../circuit/symbols/PressureValveSymbol.vue'
import PumpSymbol from '../circuit/symbols/PumpSymbol.vue'
import ShuttleSymbol from '../circuit/symbols/ShuttleSymbol.vue'
import ThrottleSymbol from '../circuit/symbols/ThrottleSymbol.vue'
import UnknownSymbol from '../circuit/symbols/UnknownSymbol.vue'
import type { UnitComponent } from '../units/unitFile'
import type { Chapter, Kind, Port, Said } from './kind'
import { directional, positionWord, section } from './levers'

const SCREW = { rangeBar: [10, 250], barPerTurn: 35, wrench: '17 mm / 5 mm hex' }
const ORIFICE = { ratedFlowLpm: 60, ratedDropBar: 6 }

function named(c: UnitComponent, thin: boolean, ...keys: string[]): Port[] {
  return keys.flatMap((key) => (typeof c[key] === 'string' ? [{ line: c[key] as string, thin }] : []))
}

const through = (c: UnitComponent) => [
  ...named(c, false, 'inlet', 'a'),
  ...named(c, false, 'outlet', 'b'),
  ...named(c, true, 'pilot', 'drain'),
]
const size = (value: unknown, unit: string) => `${String(value ?? '?')} ${unit}`
const flow = (c: UnitComponent, said: Said) => [said.flow(c.id)]

const MOVER = {
  chapter: 'movers',
  symbol: MoverSymbol,
  ports: () => [],
  drives: true,
  notes: (c: UnitComponent, said: Said) => [said.power(c.ratedPowerKw)],
} as const
const VALVE = {
  symbol: PressureValveSymbol,
  opens: true,
  ports: through,
  turns: true,
  notes: (c: UnitComponent, said: Said) => [said.asked(c.id, c.settingBar), said.flow(c.id)],
} as const
const RESTRICTION = { chapter: 'branches', symbol: ThrottleSymbol, ports: through, notes: flow } as const

/** One row a kind. Adding one: CONTRIBUTING, "A kind of component". */
export const KINDS: Record<string, Kind> = {
  'electric-motor': { ...MOVER, prefix: 'M', values: { ratedPowerKw: 15, syncSpeedRpm: 1500, ratedSpeedRpm: 1460, ratedCurrentA: 28.5 } },
  engine: { ...MOVER, prefix: 'E', values: { ratedPowerKw: 55, speedsRpm: { lowIdle: 900, mid: 1500, highIdle: 2200 } } },
  'dc-motor': {
    ...MOVER,
    prefix: 'M',
    values: {
      voltageV: 24,
      ratedPowerKw: 2,
      noLoadSpeedRpm: 3000,
      ratedSpeedRpm: 2400,
      ratedCurrentA: 110,
      noLoadCurrentA: 20,
      onTimeS: 40,
      cycleS: 600,
    },
  },
  pump: {
    chapter: 'pumps',
    symbol: PumpSymbol,
    ports: (c) => {
      const signal = (c.loadSense as { signal?: string } | undefined)?.signal
      return [...named(c, false, 'inlet', 'outlet'), ...named(c, true, 'caseDrain'), ...(signal ? [{ line: signal, thin: true }] : [])]
    },
    notes: (c, said) => [
      size(c.displacementCm3, 'cm³/rev'),
      ...(c.compensator ? [said.asked(`${c.id}.compensator`, c.compensator.settingBar)] : []),
      said.flow(c.id),
    ],
    prefix: 'P',
    values: {
      driver: '',
      inlet: 'T',
      outlet: '',
      displacementCm3: 40,
      ratedPressureBar: 250,
      volumetricEfficiency: 0.93,
      maxPressureBar: 280,
    },
  },
  'relief-valve': {
    ...VALVE,
    chapter: 'pump-line',
    target: (_, defined) => (defined === 'full-flow' ? say('parts.kinds.at-full-flow') : 'cracking'),
    prefix: 'RV',
    values: { acting: 'pilot', inlet: '', outlet: 'T', settingBar: 100, overrideBar: 6, ratedFlowLpm: 100, ...SCREW },
  },
  'unloading-valve': {
    ...VALVE,
    chapter: 'pump-line',
    target: (c) => (c.differential === undefined ? say('parts.kinds.begins-to-unload') : 'cut-out'),
    prefix: 'UV',
    values: { inlet: '', outlet: 'T', pilot: '', settingBar: 60, ratedFlowLpm: 100, ratedDropBar: 4, ...SCREW },
  },
  'check-valve': {
    chapter: 'pump-line',
    symbol: CheckSymbol,
    ports: through,
    turns: true,
    notes: flow,
    prefix: 'CV',
    values: { inlet: '', outlet: '', ...ORIFICE },
  },
  filter: {
    chapter: 'pump-line',
    symbol: FilterSymbol,
    ports: through,
    notes: flow,
    prefix: 'FL',
    values: { inlet: '', outlet: '', ratedFlowLpm: 80, ratedDropBar: 1, bypassBar: 3 },
  },
  accumulator: {
    chapter: 'pump-line',
    symbol: AccumulatorSymbol,
    ports: (c) => named(c, false, 'line'),
    upright: true,
    notes: (c, said) => [
      size(c.volumeL, 'L'),
      typeof c.prechargeBar === 'number' ? say('parts.kinds.gas', said.pressure(c.prechargeBar)) : '',
    ],
    prefix: 'AC',
    values: { line: '', volumeL: 10, prechargeBar: 90 },
  },
  throttle: {
    ...RESTRICTION,
    chapter: 'pump-line',
    notes: (c, said) => [`${PURPOSES[c.purpose ?? 'load']} ${said.open(c.id)}`, said.flow(c.id)],
    prefix: 'TV',
    values: { a: '', b: 'T', ratedFlowLpm: 60, ratedDropBar: 20, purpose: 'load' },
  },
  'reducing-valve': {
    ...VALVE,
    chapter: 'branches',
    target: () => 'branch, shut',
    prefix: 'RD',
    values: { inlet: '', outlet: '', drain: 'T', settingBar: 50, ...ORIFICE, ...SCREW },
  },
  'sequence-valve': {
    ...VALVE,
    chapter: 'branches',
    prefix: 'SQ',
    values: { inlet: '', outlet: '', drain: 'T', settingBar: 80, reverseCheck: true, ...ORIFICE, ...SCREW },
  },
  'counterbalance-valve': {
    ...VALVE,
    chapter: 'branches',
    prefix: 'CB',
    values: { inlet: '', outlet: 'T', settingBar: 120, reverseCheck: true, ...ORIFICE, ...SCREW },
  },
  'directional-valve': {
    chapter: 'branches',
    symbol: UnknownSymbol,
    ports: (c) => ((c.ports as string[] | undefined) ?? []).map((line) => ({ line, thin: false })),
    box: true,
    lever: directional,
    notes: (c, said) => [said.position(c.id) ?? positionWord(c, String(c.start ?? ''))],
    prefix: 'DV',
    values: { ports: ['T'], positions: { centre: [] }, start: 'centre', ...ORIFICE },
  },
  section: {
    chapter: 'branches',
    symbol: UnknownSymbol,
    ports: (c) => [...named(c, false, 'supply', 'return', 'portA', 'portB'), ...named(c, true, 'signal')],
    box: true,
    lever: section,
    notes: (c, said) =>
      ['A', 'B'].flatMap((side) => {
        const relief = c[`relief${side}`] as { settingBar?: number } | undefined
        return relief ? [`${side} ${said.asked(`${c.id}.relief${side}`, relief.settingBar)}`] : []
      }),
    prefix: 'S',
    values: { supply: '', return: 'T', signal: '', portA: '', portB: '', ratedFlowLpm: 90, ratedDropBar: 14 },
  },
  shuttle: {
    chapter: 'branches',
    symbol: ShuttleSymbol,
    ports: (c) => named(c, false, 'a', 'b', 'out'),
    reach: { left: 34, right: 36 },
    box: true,
    notes: flow,
    prefix: 'SH',
    values: { a: '', b: '', out: '' },
  },
  'flow-control': { ...RESTRICTION, prefix: 'FC', values: { inlet: '', outlet: 'T', setLpm: 12, ratedFlowLpm: 40, ratedDropBar: 8 } },
  orifice: { ...RESTRICTION, prefix: 'OR', values: { a: '', b: 'T', ratedFlowLpm: 1, ratedDropBar: 100, purpose: 'bleed' } },
  leak: { ...RESTRICTION, prefix: 'LK', values: { a: '', b: 'T', flowLpm: 0.5, atBar: 100 } },
  cylinder: {
    chapter: 'actuators',
    symbol: CylinderSymbol,
    ports: (c) => named(c, false, 'cap', 'rod'),
    reach: { left: 48, right: 58 },
    box: true,
    notes: (c) => [`${String(c.boreMm ?? '?')} / ${size(c.rodMm, 'mm')}`],
    prefix: 'C',
    values: { cap: '', rod: 'T', boreMm: 80, rodMm: 45, strokeMm: 500 },
  },
  'hydraulic-motor': {
    chapter: 'actuators',
    symbol: HydraulicMotorSymbol,
    ports: through,
    notes: (c) => [size(c.displacementCm3, 'cm³/rev')],
    prefix: 'H',
    values: { a: '', b: 'T', displacementCm3: 100, efficiency: 0.9 },
  },
}

/** A half-filled sheet may hold a kind that there isn't: it is drawn as a box with a question mark. */
const UNKNOWN: Kind = { chapter: 'branches', symbol: UnknownSymbol, ports: through, notes: () => [], prefix: 'X', values: {} }

export function kindOf(c: UnitComponent): Kind {
  return KINDS[c.type] ?? UNKNOWN
}

export function isDriver(c: UnitComponent): boolean {
  return kindOf(c).drives === true
}

/** Kinds of a chapter, in the order in which they are offered. */
export function kindsIn(chapter: Chapter): string[] {
  return Object.keys(KINDS).filter((type) => KINDS[type]?.chapter === chapter)
}
