import { readdirSync, readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { TANK, type UnitFile } from '../units/unitFile'
import type { Drawing } from './drawing'
import { layout } from './layout'
import { ports } from './ports'

const FOLDERS = ['../demo/units', '../core/src/test/resources/circuits']
const units = FOLDERS.flatMap((folder) =>
  readdirSync(folder).map((file) => JSON.parse(readFileSync(`${folder}/${file}`, 'utf8')) as UnitFile),
)

function railOf(drawing: Drawing, line: string) {
  const rail = drawing.rails.find((r) => r.line === line)
  if (!rail) throw new Error(`line ${line} has no rail`)
  return rail
}

describe.each(units.map((u) => [u.tag, u] as const))('%s', (_, unit) => {
  const drawing = layout(unit)

  it('draws every part once and every test point', () => {
    expect(drawing.parts.map((p) => p.component.id).sort()).toEqual(unit.components.map((c) => c.id).sort())
    expect(drawing.gauges.map((g) => g.id).sort()).toEqual((unit.testPoints ?? []).map((t) => t.id).sort())
  })

  it('ties every port to its rail or to tank', () => {
    for (const part of drawing.parts) {
      for (const port of ports(part.component)) {
        if (port.line === TANK) continue
        const wire = part.wires.find((w) => w.line === port.line)
        expect(wire, `${part.component.id} to ${port.line}`).toBeDefined()
        const rail = railOf(drawing, port.line)
        expect(wire?.y2).toBe(rail.y)
        expect(wire?.x).toBeGreaterThanOrEqual(rail.thinX1)
        expect(wire?.x).toBeLessThanOrEqual(rail.thinX2)
      }
    }
  })

  it('keeps symbols and their names apart', () => {
    const places = drawing.parts.map((p) => [p.component.id, p.x, p.y] as const)
    for (const [a, ax, ay] of places) {
      for (const [b, bx, by] of places) {
        if (a < b && Math.abs(ay - by) < 60) expect(Math.abs(ax - bx), `${a} beside ${b}`).toBeGreaterThan(70)
      }
    }
  })

  it('never lets two lines share a piece of rail', () => {
    for (const a of drawing.rails) {
      for (const b of drawing.rails) {
        if (a.line < b.line && a.y === b.y) expect(a.thinX2 < b.thinX1 || b.thinX2 < a.thinX1, `${a.line} and ${b.line}`).toBe(true)
      }
    }
  })

  it('cuts nothing off at its edges', () => {
    for (const p of drawing.parts) {
      expect(p.y - 30, p.component.id).toBeGreaterThanOrEqual(drawing.top)
      expect(p.y + 30, p.component.id).toBeLessThanOrEqual(drawing.top + drawing.height)
      expect(p.x + 30, p.component.id).toBeLessThanOrEqual(drawing.width)
    }
  })

  it('stays readable at 1280 wide, if it is a real unit', () => {
    if (/-\d\d$/.test(unit.tag)) expect(drawing.width).toBeLessThan(1500)
  })
})

it('draws a half-filled circuit: parts without ports, lines that are not listed', () => {
  const unit = {
    tag: 'X',
    name: 'x',
    fluid: {},
    lines: [{ id: 'P', ratingBar: 250 }],
    components: [
      { id: 'P1', type: 'pump', driver: 'M9', inlet: 'T', outlet: 'P' },
      { id: 'RV1', type: 'relief-valve' },
      { id: 'TV1', type: 'throttle', a: 'Q', b: 'T' },
      { id: 'M1', type: 'electric-motor' },
    ],
  } satisfies UnitFile
  const drawing = layout(unit)
  expect(drawing.parts).toHaveLength(4)
  expect(drawing.parts.every((p) => Number.isFinite(p.x) && Number.isFinite(p.y))).toBe(true)
  expect(drawing.rails.map((r) => r.line)).toContain('P')
})
