import type { Port } from '../parts/kind'
import { isDriver, kindOf } from '../parts/kinds'
import { TANK, type UnitComponent, type UnitFile } from '../units/unitFile'

export function ports(c: UnitComponent): Port[] {
  return kindOf(c).ports(c)
}

/** Lines in the order oil gets to them from the pumps, each with the parts on it that are not drawn before. */
export function reading(unit: UnitFile): { lines: string[]; parts: UnitComponent[]; parent: Map<string, string> } {
  const lines: string[] = []
  const parts: UnitComponent[] = []
  const parent = new Map<string, string>()
  const rest = new Set(unit.components.filter((c) => !isDriver(c)))
  const rank = (c: UnitComponent) => {
    const others = ports(c).filter((p) => !p.thin && p.line !== TANK).length
    return c.type === 'pump' ? 0 : others < 2 && c.purpose !== 'load' ? 1 : others > 1 && c.purpose !== 'load' ? 2 : 3
  }
  function take(c: UnitComponent, from: string) {
    rest.delete(c)
    parts.push(c)
    const ways = ports(c)
    for (const port of [...ways.filter((p) => !p.thin), ...ways.filter((p) => p.thin)]) {
      if (port.line !== TANK && !lines.includes(port.line)) {
        parent.set(port.line, from)
        if (!port.thin) visit(port.line)
      }
    }
  }
  function visit(line: string) {
    if (lines.includes(line)) return
    lines.push(line)
    const here = [...rest].filter((c) => ports(c).some((p) => p.line === line && !p.thin)).sort((a, b) => rank(a) - rank(b))
    for (const c of here) if (rest.has(c)) take(c, line)
  }
  for (const pump of unit.components.filter((c) => c.type === 'pump')) {
    if (rest.has(pump)) take(pump, '')
  }
  for (const line of unit.lines) visit(line.id)
  for (const c of [...rest]) take(c, '')
  return { lines, parts, parent }
}

/** Width of one position's box. */
export const POSITION = 40

/** How far a part's symbol reaches to either side; a valve's boxes stand with the one at rest over the ports. */
export function reach(c: UnitComponent): { left: number; right: number } {
  const kind = kindOf(c)
  const lever = kind.lever?.(c)
  if (lever) {
    const names = Object.keys(lever.positions)
    const at = Math.max(0, names.indexOf(lever.rest))
    const more = Math.max(0, names.length - 1 - at)
    return { left: at * POSITION + POSITION / 2 + 4, right: more * POSITION + POSITION / 2 + 6 }
  }
  return kind.reach ?? { left: 36, right: c.settingBar === undefined ? 34 : 50 }
}
