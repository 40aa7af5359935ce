import { TANK, type UnitComponent, type UnitFile } from '../units/unitFile'

export interface Placed {
  component: UnitComponent
  x: number
  y: number
}

export interface Bus {
  line: string
  y: number
  from: number
  to: number
}

export interface Drawing {
  width: number
  height: number
  buses: Bus[]
  pumps: Placed[]
  motors: Placed[]
  branches: (Placed & { line: string; toTank: boolean })[]
  gauges: { id: string; line: string; x: number; y: number }[]
}

const PUMP_Y = 390
const BUS_Y = 150
const BRANCH_GAP = 210

/** Places a unit: prime mover and pumps below, each pump line a bus above them, its branches along it, load last. */
export function layout(unit: UnitFile): Drawing {
  const pumps = unit.components.filter((c) => c.type === 'pump')
  const motors = unit.components.filter((c) => ['electric-motor', 'engine', 'dc-motor'].includes(c.type))
  const drawing: Drawing = { width: 0, height: 480, buses: [], pumps: [], motors: [], branches: [], gauges: [] }
  let x = 250
  for (const pump of pumps) {
    const line = pump.outlet ?? TANK
    const from = x
    drawing.pumps.push({ component: pump, x, y: PUMP_Y })
    const driver = motors.find((m) => m.id === pump.driver)
    if (driver && !drawing.motors.some((m) => m.component.id === driver.id)) {
      drawing.motors.push({ component: driver, x: x - 150, y: PUMP_Y })
    }
    const gauges = (unit.testPoints ?? []).filter((t) => t.line === line)
    gauges.forEach((g, i) => drawing.gauges.push({ id: g.id, line, x: x + 90 + i * 110, y: BUS_Y - 70 }))
    const branches = unit.components
      .filter((c) => c.type !== 'pump' && (c.inlet === line || c.a === line))
      .sort((a, b) => Number(a.purpose === 'load') - Number(b.purpose === 'load'))
    for (const component of branches) {
      x += BRANCH_GAP
      drawing.branches.push({ component, line, x, y: 270, toTank: (component.outlet ?? component.b) === TANK })
    }
    drawing.buses.push({ line, y: BUS_Y, from, to: Math.max(x, from + 90 + gauges.length * 110 - 60) })
    x += BRANCH_GAP
  }
  drawing.width = Math.max(x + 20, 700)
  return drawing
}
