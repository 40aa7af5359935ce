import type { Schema } from '../../api/client'
import { isDriver } from '../../parts/kinds'
import { TANK, type UnitComponent, type UnitFile } from '../../units/unitFile'
import { label } from '../fields'

export type PutKind = Schema['Kind']

/** Ends of a part by their keys, in the order in which oil goes through it. */
const ENDS = [
  'inlet',
  'outlet',
  'a',
  'b',
  'out',
  'supply',
  'return',
  'portA',
  'portB',
  'cap',
  'rod',
  'line',
  'pilot',
  'signal',
  'drain',
  'caseDrain',
]

export function kindName(type: string): string {
  return type.replaceAll('-', ' ')
}

export interface End {
  key: string
  label: string
  line: string
}

export function endsOf(c: UnitComponent): End[] {
  const ends = ENDS.flatMap((key) => (typeof c[key] === 'string' && c[key] ? [{ key, label: label(key), line: String(c[key]) }] : []))
  const signal = (c.loadSense as { signal?: string } | undefined)?.signal
  if (signal) ends.push({ key: 'loadSense.signal', label: label('signal'), line: signal })
  return ends
}

/** What stands on a line and could stand behind a part that is put into it; what feeds it stays before. */
export function couldBeBehind(unit: UnitFile, line: string): { key: string; label: string }[] {
  const parts = unit.components.flatMap((c) => {
    if (c.type === 'pump' && c.outlet === line) return []
    const ports = (c.ports as string[] | undefined)?.includes(line) ? [{ key: 'ports', label: '', line }] : []
    return [...endsOf(c), ...ports]
      .filter((e) => e.line === line)
      .map((e) => ({ key: `${c.id}.${e.key}`, label: e.label ? `${c.id}, ${e.label}` : c.id }))
  })
  const gauges = (unit.testPoints ?? []).filter((g) => g.line === line).map((g) => ({ key: `${g.id}.line`, label: g.id }))
  return [...parts, ...gauges]
}

/** Both its lines are under pressure. */
export function isBetween(c: UnitComponent): boolean {
  const [from, to] = [c.inlet ?? c.a, c.outlet ?? c.b]
  return from !== undefined && to !== undefined && from !== TANK && to !== TANK && from !== to
}

/** Kinds that could stand in its place. */
export function instead(c: UnitComponent, kinds: PutKind[]): string[] {
  if (isDriver(c)) return []
  const home = ['relief-valve', 'unloading-valve', 'throttle', 'orifice', 'hydraulic-motor']
  const through = [...kinds.filter((k) => k.into).map((k) => k.type), 'throttle', 'orifice']
  const group = isBetween(c) ? through : home
  return group.includes(c.type) ? group.filter((t) => t !== c.type) : []
}

export function linesOf(unit: UnitFile, but: string[] = []): string[] {
  return unit.lines.map((l) => l.id).filter((l) => !but.includes(l))
}
