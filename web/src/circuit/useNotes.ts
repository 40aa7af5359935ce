import type { Schema } from '../api/client'
import { useDisplay } from '../display/display'
import { unitBeside } from '../display/units'
import type { Said } from '../parts/kind'
import { kindOf } from '../parts/kinds'
import { positionWord } from '../parts/levers'
import type { UnitComponent, UnitFile } from '../units/unitFile'

/** What stands beside a part: its target, what it passes and where it stands, by the model. */
export function useNotes(drawn: { unit: UnitFile; steady?: Schema['SteadyView']; positions?: Record<string, string> }) {
  const display = useDisplay()

  function figure(id: string, key: string): number | undefined {
    const value = drawn.steady?.components[id]?.[key]
    return typeof value === 'number' ? value : undefined
  }

  function asked(setting: string, present: unknown): string {
    const target = drawn.unit.targets?.find((t) => t.setting === setting)?.pressureBar
    const value = target ?? present
    return typeof value === 'number' ? display.show(value) : ''
  }

  const said: Said = {
    asked,
    flow: (id) => {
      const lpm = figure(id, 'flowLpm')
      return lpm === undefined || Math.abs(lpm) < 0.05 ? '' : display.flow(Math.abs(lpm), 1)
    },
    open: (id) => `${Math.round((figure(id, 'open') ?? 0) * 100)} %`,
    pressure: (value) => display.show(value),
    power: (value) => (typeof value === 'number' ? display.power(value) : `? ${unitBeside('kW', display.pressure)}`),
    position: (id) => {
      const at = drawn.positions?.[id]
      return at === undefined
        ? undefined
        : positionWord(
            drawn.unit.components.find((c) => c.id === id),
            at,
          )
    },
  }

  return function notes(c: UnitComponent): string[] {
    return kindOf(c)
      .notes(c, said)
      .filter((note) => note)
  }
}
