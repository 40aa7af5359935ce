import { TANK, type UnitComponent, type UnitFile } from '../units/unitFile'

/** Where a part is tied to a line; thin ones only carry a signal or a drain. */
export interface Port {
  line: string
  thin: boolean
}

const DRIVERS = ['electric-motor', 'engine', 'dc-motor']

export function isDriver(c: UnitComponent): boolean {
  return DRIVERS.includes(c.type)
}

function named(c: UnitComponent, thin: boolean, ...keys: string[]): Port[] {
  return keys.flatMap((key) => (typeof c[key] === 'string' ? [{ line: c[key] as string, thin }] : []))
}

/** The ports of a part in the order flow goes through it, thin ones last. */
export function ports(c: UnitComponent): Port[] {
  switch (c.type) {
    case 'pump': {
      const signal = (c.loadSense as { signal?: string } | undefined)?.signal
      return [
        ...named(c, false, 'inlet', 'outlet'),
        ...named(c, true, 'caseDrain'),
        ...(signal ? [{ line: signal, thin: true }] : []),
      ]
    }
    case 'directional-valve':
      return ((c.ports as string[] | undefined) ?? []).map((line) => ({ line, thin: false }))
    case 'section':
      return [...named(c, false, 'supply', 'return', 'portA', 'portB'), ...named(c, true, 'signal')]
    case 'shuttle':
      return named(c, false, 'a', 'b', 'out')
    case 'cylinder':
      return named(c, false, 'cap', 'rod')
    case 'accumulator':
      return named(c, false, 'line')
    default:
      return [...named(c, false, 'inlet', 'a'), ...named(c, false, 'outlet', 'b'), ...named(c, true, 'pilot', 'drain')]
  }
}

/** Parts with more than a way in and a way out are drawn as boxes with ports above and below. */
export function isBox(c: UnitComponent): boolean {
  return ['directional-valve', 'section', 'shuttle', 'cylinder'].includes(c.type)
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

/** Names of the positions of a valve that has some, in order. */
export function positionNames(c: UnitComponent): string[] {
  return c.type === 'section' ? ['a', 'neutral', 'b'] : Object.keys((c.positions ?? {}) as object)
}

export function startOf(c: UnitComponent): string {
  return c.type === 'section' ? 'neutral' : String(c.start ?? positionNames(c)[0] ?? '')
}

/** Width of one position's box. */
export const POSITION = 40

/** How far a part's symbol reaches to either side; a valve's boxes stand with the one at rest over the ports. */
export function reach(c: UnitComponent): { left: number; right: number } {
  if (c.type === 'directional-valve' || c.type === 'section') {
    const at = Math.max(0, positionNames(c).indexOf(startOf(c)))
    const more = Math.max(0, positionNames(c).length - 1 - at)
    return { left: at * POSITION + POSITION / 2 + 4, right: more * POSITION + POSITION / 2 + 6 }
  }
  return c.type === 'cylinder' ? { left: 48, right: 58 } : c.type === 'shuttle' ? { left: 34, right: 36 } : { left: 36, right: c.settingBar === undefined ? 34 : 50 }
}
