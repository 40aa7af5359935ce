import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { KINDS } from '../parts/kinds'
import type { UnitComponent, UnitFile } from '../units/unitFile'
import { fieldsOf, label, unitOf, type UnitSchema } from './fields'
import { FIELDS } from '../words'
import { addPart, emptyUnit, GROUPS } from './newParts'

const schema = JSON.parse(readFileSync('../core/src/main/resources/earlygate/unit/file/unit-1.schema.json', 'utf8')) as UnitSchema

const TYPES = (schema.$defs.component?.properties?.type as { enum: string[] }).enum

describe('kinds of components', () => {
  it('has a row for every kind of the schema, and none that the schema lacks', () => {
    expect(TYPES.length).toBeGreaterThan(15)
    expect(Object.keys(KINDS).sort()).toEqual([...TYPES].sort())
  })
})

describe('fields of the unit file', () => {
  it('has no name for a key that no unit file knows', () => {
    const text = JSON.stringify(schema)
    expect(Object.keys(FIELDS).filter((key) => !text.includes(`"${key}":`))).toEqual([])
  })

  it.each(TYPES)('%s has a field for every key, each with a label', (type) => {
    const fields = fieldsOf(schema, type)
    const keys = Object.keys(schema.$defs[type]?.properties ?? {}).filter((k) => k !== 'id' && k !== 'type')
    expect(fields.map((f) => f.key)).toEqual(keys)
    for (const f of fields) expect(f.label, f.key).toMatch(/^[A-Z]/)
  })

  it('knows what kind of thing each key holds', () => {
    const kinds = Object.fromEntries(fieldsOf(schema, 'pump').map((f) => [f.key, f.kind]))
    expect(kinds).toMatchObject({ driver: 'driver', inlet: 'line', displacementCm3: 'number', compensator: 'group' })
    const valve = Object.fromEntries(fieldsOf(schema, 'directional-valve').map((f) => [f.key, f.kind]))
    expect(valve).toMatchObject({ ports: 'ports', positions: 'positions', start: 'text' })
    const relief = Object.fromEntries(fieldsOf(schema, 'relief-valve').map((f) => [f.key, f.kind]))
    expect(relief).toMatchObject({ acting: 'choice', vent: 'flag', rangeBar: 'range', wrench: 'text' })
    expect(fieldsOf(schema, 'target').find((f) => f.key === 'setting')?.kind).toBe('setting')
    expect(fieldsOf(schema, 'fluid').map((f) => f.key)).toContain('tankL')
  })

  it('reads the unit of a key from its end', () => {
    expect(unitOf('settingBar')).toBe('bar')
    expect(unitOf('barPerTurn')).toBe('bar/turn')
    expect(unitOf('ratedFlowLpm')).toBe('L/min')
    expect(unitOf('forceN')).toBe('N')
    expect(unitOf('torqueNm')).toBe('N·m')
    expect(unitOf('onTimeS')).toBe('s')
    expect(unitOf('volumeL')).toBe('L')
    expect(unitOf('differential')).toBe('')
    expect(label('ratedDropBar')).toBe('Rated drop')
  })
})

describe('new parts', () => {
  it.each(TYPES)('a new %s has all that its schema asks for, marked as defaults', (type) => {
    const unit: UnitFile = emptyUnit('X-1', 'x')
    addPart(unit, 'electric-motor')
    const made = addPart(unit, type)
    const part = unit.components.find((c) => c.id === made.id) as UnitComponent
    for (const key of schema.$defs[type]?.required ?? []) expect(part[key], `${type} ${key}`).not.toBeUndefined()
    for (const place of made.defaults) expect(part[place.split('.')[2] ?? ''], place).not.toBeUndefined()
    expect(Object.keys(part).filter((k) => part[k] === '')).toEqual([])
  })

  it('gives every part a name of its own and shares nothing between two of a kind', () => {
    const unit = emptyUnit('X-1', 'x')
    const first = addPart(unit, 'relief-valve')
    const second = addPart(unit, 'relief-valve')
    expect([first.id, second.id]).toEqual(['RV1', 'RV2'])
    ;(unit.components[0]?.rangeBar as number[])[0] = 99
    expect((unit.components[1]?.rangeBar as number[])[0]).toBe(10)
  })

  it('has defaults for every control that can be added', () => {
    const groups = TYPES.flatMap((t) => fieldsOf(schema, t)).filter((f) => f.kind === 'group' && !f.required)
    for (const g of groups) expect(GROUPS[g.key], g.key).toBeDefined()
  })
})
