import { describe, expect, it } from 'vitest'
import type { UnitFile } from '../units/unitFile'
import { missing } from './missing'

describe('what is missing', () => {
  const places = (...paths: string[]) => paths.map((path) => ({ path, message: 'driver is missing. Add it.' }))
  const bare = (): UnitFile => ({
    tag: 'X-1',
    name: 'x',
    fluid: {},
    lines: [{ id: 'P', ratingBar: 250 }],
    components: [{ id: 'P1', type: 'pump', inlet: 'T', outlet: 'P' }],
  })

  it('is said as the schematic has it, with what does it', () => {
    const sheet = bare()
    const [drive] = missing(sheet, places('components[0].driver'))
    expect(drive?.text).toBe('P1 has no drive yet: add an electric motor, an engine or a DC motor.')
    expect(drive?.ways.map((w) => w.label)).toEqual(['Add electric motor', 'Add engine', 'Add dc motor'])
    const defaults = drive?.ways[1]?.mend?.(sheet) ?? []
    expect(sheet.components.find((c) => c.type === 'engine')?.id).toBe('E1')
    expect(sheet.components[0]?.driver).toBe('E1')
    expect(defaults.length).toBeGreaterThan(0)
    expect(missing(sheet, places('components[0].driver'))[0]?.ways.map((w) => w.label)).toEqual(['Driven by E1'])
  })
  it('begins with what turns the pump, and leads to a part whose port is open', () => {
    const empty = { ...bare(), components: [] }
    expect(missing(empty, places('components'))[0]?.ways).toHaveLength(3)
    const open = bare()
    Reflect.deleteProperty(open.components[0] ?? {}, 'outlet')
    const [port] = missing(open, places('components[0].outlet'))
    expect(port?.text).toBe('P1: its outlet is not joined to a line yet.')
    expect(port?.ways).toMatchObject([{ label: 'Open P1', open: 'P1' }])
    const [shut] = missing(open, [{ path: 'lines.P', message: 'The oil of line P has nowhere to go.' }])
    shut?.ways[0]?.mend?.(open)
    expect(open.components.at(-1)).toMatchObject({ id: 'RV1', inlet: 'P', outlet: 'T' })
    expect(missing(open, places('fluid.tankL'))[0]).toMatchObject({ path: 'fluid.tankL', ways: [] })
  })
})
