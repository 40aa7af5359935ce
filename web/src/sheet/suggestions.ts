import type { Place, Schema } from '../api/client'
import { settingOf } from '../display/names'
import type { UnitFile } from '../units/unitFile'

/** Parts and lines that a stopping finding or a refusal speaks of. */
export function faultsOf(unit: UnitFile | undefined, findings: Schema['FindingView'][], places: Place[]): string[] {
  const parts = findings.filter((f) => f.severity === 'stop').map((f) => settingOf(f.setting).part)
  const named = places.map((p) => {
    const entry = /^components\[(\d+)]/.exec(p.path)
    return entry ? (unit?.components[Number(entry[1])]?.id ?? '') : p.path.replace(/^lines\./, '')
  })
  return [...parts, ...named]
}

/** Does to the sheet what a finding would have done. */
export function follow(unit: UnitFile, s: Schema['SuggestionView']) {
  if (s.setting && s.pressureBar) {
    const target = unit.targets?.find((t) => t.setting === s.setting)
    if (target) target.pressureBar = s.pressureBar
  } else if (s.key) {
    const part = [...unit.components, ...(unit.testPoints ?? [])].find((p) => p.id === s.part)
    if (part) Object.assign(part, { [s.key]: s.value })
  }
}
