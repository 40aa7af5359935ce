import type { Schema } from '../api/client'
import { settingOf } from '../display/names'
import { ports } from './ports'
import { TANK, type UnitComponent } from '../units/unitFile'
import type { Wire } from './drawing'

/** L/min under which a part is said to be shut. */
const A_TRACE = 0.05

/** How the parts of a drawing stand by the model: what passes oil, which way, and who holds a line. */
export function useStanding(drawn: { steady?: Schema['SteadyView'] }) {
  function flow(c: UnitComponent): number {
    const lpm = drawn.steady?.components[c.id]?.flowLpm
    return typeof lpm === 'number' && Math.abs(lpm) > A_TRACE ? lpm : 0
  }

  function holds(c: UnitComponent): boolean {
    return Object.values(drawn.steady?.inControl ?? {}).some((s) => s && settingOf(s).part === c.id)
  }

  /** Of a wire between a part and its rail: 1 where oil runs to the rail, -1 where it comes from there, 0 where nothing is known. */
  function runs(c: UnitComponent, w: Wire): number {
    const wet = ports(c).filter((p) => !p.thin)
    const at = wet.findIndex((p) => p.line === w.line)
    const known = wet.length === 2 && !w.thin && at >= 0 && w.line !== TANK && wet[0]?.line !== wet[1]?.line
    return known ? Math.sign(flow(c)) * (at === 0 ? -1 : 1) : 0
  }

  return { passing: (c: UnitComponent) => flow(c) !== 0, holds, runs }
}
