import { TANK, type UnitComponent, type UnitFile } from '../units/unitFile'
import { isDriver, kindOf } from '../parts/kinds'
import { overlap, rect, wire, type Drawing, type Part, type Rect, type Wire } from './drawing'
import { ports, reach, reading } from './ports'

const GAP = 116
const TOP = 74
const HANG = 60
const PUMP_ROW = 150
const BOTTOM = 222
const LEFT = 40
const LABEL = 100

export function layout(unit: UnitFile): Drawing {
  const { lines, parts, parent } = reading(unit)
  const levels = levelsOf(lines, parts, parent)
  const highest = Math.max(0, ...levels.values())
  const railY = (line: string) => TOP + (highest - (levels.get(line) ?? 0)) * GAP
  const drawing: Drawing = {
    top: 0,
    width: 0,
    height: TOP + highest * GAP + BOTTOM,
    rails: lines.map((line) => ({ line, y: railY(line), x1: Infinity, x2: -Infinity, thinX1: Infinity, thinX2: -Infinity })),
    parts: [],
    gauges: [],
    shafts: [],
  }
  const taken: Rect[] = []
  const rail = (line: string) => drawing.rails.find((r) => r.line === line)

  function free(rects: Rect[], wires: Wire[]): boolean {
    if (rects.some((r) => taken.some((t) => overlap(r, t)))) return false
    return wires.every((w) => {
      const own = rail(w.line)
      return drawing.rails.every((r) => {
        if (!own || r === own || r.y !== own.y || r.thinX1 > r.thinX2) return true
        const from = Math.min(own.thinX1, w.x) - 24
        const to = Math.max(own.thinX2, w.x) + 24
        return to < r.thinX1 || from > r.thinX2
      })
    })
  }

  function settle(rects: Rect[], wires: Wire[]) {
    taken.push(...rects)
    for (const w of wires) {
      const r = rail(w.line)
      if (!r) continue
      r.thinX1 = Math.min(r.thinX1, w.x)
      r.thinX2 = Math.max(r.thinX2, w.x)
      if (!w.thin) {
        r.x1 = Math.min(r.x1, w.x)
        r.x2 = Math.max(r.x2, w.x)
      }
    }
  }

  function place<P>(from: number, shape: (x: number) => { made: P; rects: Rect[]; wires: Wire[] }): P {
    for (let x = from; ; x += 8) {
      const s = shape(x)
      if (free(s.rects, s.wires) || x > 6000) {
        settle(s.rects, s.wires)
        return s.made
      }
    }
  }

  const drawn = new Set<string>()
  const bottom = TOP + highest * GAP
  for (const c of parts) {
    const from = leftmost(c, drawing)
    const part = place(from, (x) => {
      const made = shape(c, x, railY, bottom)
      return { made, rects: rects(made), wires: made.wires }
    })
    drawing.parts.push(part)
    for (const port of ports(c)) {
      if (port.line !== TANK && !drawn.has(port.line)) {
        drawn.add(port.line)
        for (const t of (unit.testPoints ?? []).filter((g) => g.line === port.line)) {
          drawing.gauges.push(
            place(part.x, (x) => {
              const y = railY(t.line) - 46
              const wire = { line: t.line, x, y1: y + 16, y2: railY(t.line), thin: false }
              return { made: { id: t.id, line: t.line, x, y, wire }, rects: [rect(x - 22, y - 20, x + 98, y + 20)], wires: [wire] }
            }),
          )
        }
      }
    }
  }
  drivers(unit, drawing, bottom + PUMP_ROW)
  drawing.rails = drawing.rails.filter((r) => r.thinX1 <= r.thinX2)
  for (const r of drawing.rails) {
    if (r.x1 > r.x2) {
      r.x1 = r.thinX1
      r.x2 = r.thinX1
    }
  }
  drawing.width = Math.max(560, ...taken.map((t) => t.x2)) + 20
  drawing.top = Math.min(0, ...taken.map((t) => t.y1 - 4))
  drawing.height -= drawing.top
  return drawing
}

/** The lowest level above its supply where no other rail is in the way, parts standing in the order they are read. */
function levelsOf(lines: string[], parts: UnitComponent[], parent: Map<string, string>): Map<string, number> {
  const extent = (line: string): [number, number] => {
    const at = parts.flatMap((c, i) => (ports(c).some((p) => p.line === line) ? [i] : []))
    return at.length ? [Math.min(...at), Math.max(...at)] : [-1, -1]
  }
  const levels = new Map<string, number>()
  for (const line of lines) {
    const [a, b] = extent(line)
    let level = parent.get(line) ? (levels.get(parent.get(line) ?? '') ?? -1) + 1 : 0
    while (lines.some((o) => levels.get(o) === level && extent(o)[0] <= b && a <= extent(o)[1])) level++
    levels.set(line, level)
  }
  return levels
}

/** Not left of where its first line begins, pumps and loads not left of what is there already. */
function leftmost(c: UnitComponent, drawing: Drawing): number {
  if (c.type === 'pump') return Math.max(LEFT + 130, ...drawing.parts.filter((p) => p.component.type === 'pump').map((p) => p.x + 150))
  const first = ports(c).find((p) => p.line !== TANK)
  const r = drawing.rails.find((x) => x.line === first?.line)
  const start = r && r.thinX1 <= r.thinX2 ? r.thinX1 + 60 : LEFT + 60
  return c.purpose === 'load' && r && r.x2 > r.x1 ? Math.max(start, r.x2 + 30) : start
}

function shape(c: UnitComponent, x: number, railY: (line: string) => number, bottom: number): Part {
  const all = ports(c)
  const rails = all.filter((p) => p.line !== TANK)
  const part: Part = { component: c, x, y: 0, up: false, wires: [], tanks: [], leads: {} }
  if (c.type === 'pump') return pump(part, bottom + PUMP_ROW, railY)
  const oil = rails.filter((p) => !p.thin)
  const lowest = Math.max(...oil.map((p) => railY(p.line)), -Infinity)
  if (!Number.isFinite(lowest)) {
    part.y = bottom + HANG
    return part
  }
  const kind = kindOf(c)
  const hangs = oil.length === 1 && !kind.upright && !kind.box
  part.y = hangs ? lowest + HANG : lowest - GAP / 2
  if (kind.box) return box(part, all, railY)
  const ends = all.filter((p) => !p.thin)
  const first = ends[0]
  const second = ends[1]
  part.up = !hangs && first !== undefined && railY(first.line) > part.y
  if (kind.upright && first) {
    part.wires.push(wire(first.line, x, part.y + 30, railY(first.line)))
    return part
  }
  for (const [port, top] of [
    [first, !part.up],
    [second, part.up],
  ] as const) {
    if (!port) continue
    const y = part.y + (top ? -30 : 30)
    if (port.line === TANK) part.tanks.push({ x, y: part.y + 40 })
    else part.wires.push(wire(port.line, x, y, railY(port.line)))
  }
  all
    .filter((p) => p.thin && p.line !== TANK)
    .forEach((p, i) => {
      part.wires.push({ ...wire(p.line, x - 42 - 10 * i, part.y, railY(p.line)), thin: true })
    })
  return part
}

function pump(part: Part, y: number, railY: (line: string) => number): Part {
  const c = part.component
  part.y = y
  if (c.outlet && c.outlet !== TANK) part.wires.push(wire(c.outlet, part.x, y - 32, railY(c.outlet)))
  if (c.inlet && c.inlet !== TANK) part.wires.push(wire(c.inlet, part.x + 22, y + 24, railY(c.inlet)))
  else part.tanks.push({ x: part.x, y: y + 46 })
  const signal = (c.loadSense as { signal?: string } | undefined)?.signal
  if (signal) part.wires.push({ ...wire(signal, part.x - 40, y - 16, railY(signal)), thin: true })
  return part
}

/** Ports with rails above leave at the top, those below or home to tank at the bottom. */
function box(part: Part, all: { line: string; thin: boolean }[], railY: (line: string) => number): Part {
  const top = all.filter((p) => p.line !== TANK && railY(p.line) < part.y)
  const low = all.filter((p) => !top.includes(p))
  const spread = (n: number, i: number) => (i - (n - 1) / 2) * (n > 2 ? 24 : 28)
  const half = part.component.type === 'cylinder' || part.component.type === 'shuttle' ? 15 : 19
  top.forEach((p, i) => {
    const x = part.x + spread(top.length, i)
    part.leads[p.line] = { x: x - part.x, top: true }
    part.wires.push({ ...wire(p.line, x, part.y - half, railY(p.line)), thin: p.thin })
  })
  low.forEach((p, i) => {
    const x = part.x + spread(low.length, i)
    part.leads[p.line] = { x: x - part.x, top: false }
    if (p.line === TANK) part.tanks.push({ x, y: part.y + half + 14 })
    else part.wires.push({ ...wire(p.line, x, part.y + half, railY(p.line)), thin: p.thin })
  })
  return part
}

/** What a part needs for itself: its symbol with the name beside it, and its wires. */
function rects(part: Part): Rect[] {
  const { left, right } = reach(part.component)
  const body = rect(part.x - left, part.y - 36, part.x + right + LABEL, part.y + 38)
  const tanks = part.tanks.map((t) => rect(t.x - 18, part.y, t.x + 18, t.y + 12))
  const wires = part.wires.map((w) => rect(w.x - 9, Math.min(w.y1, w.y2) + 3, w.x + 9, Math.max(w.y1, w.y2) - 3))
  return [body, ...tanks, ...wires]
}

/** Left of the first pump each turns; a shaft to every pump. */
function drivers(unit: UnitFile, drawing: Drawing, y: number) {
  let alone = LEFT
  for (const c of unit.components.filter(isDriver)) {
    const pumps = drawing.parts.filter((p) => p.component.type === 'pump' && p.component.driver === c.id).map((p) => p.x)
    const x = pumps.length ? Math.min(...pumps) - 116 : (alone += 120)
    drawing.parts.push({ component: c, x, y, up: false, wires: [], tanks: [], leads: {} })
    if (pumps.length) drawing.shafts.push({ x1: x, x2: Math.max(...pumps), y })
  }
}
