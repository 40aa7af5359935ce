import { kindsIn } from '../parts/kinds'
import { say } from '../words'

/** The lists of a unit file, in the order in which a schematic is read. */
export type List = 'lines' | 'components' | 'testPoints' | 'targets' | 'work'

export interface Chapter {
  title: string
  list?: List
  types?: string[]
  kind?: string
}

export const CHAPTERS: Chapter[] = [
  { title: say('sheet.partsEditor.unit-and-oil') },
  { title: say('sheet.partsEditor.lines'), list: 'lines', kind: 'line' },
  { title: say('sheet.partsEditor.prime-movers'), list: 'components', types: kindsIn('movers') },
  { title: say('sheet.partsEditor.pumps-and-controls'), list: 'components', types: kindsIn('pumps') },
  { title: say('sheet.partsEditor.pump-line-valves'), list: 'components', types: kindsIn('pump-line') },
  { title: say('sheet.partsEditor.branches'), list: 'components', types: kindsIn('branches') },
  { title: say('sheet.partsEditor.actuators'), list: 'components', types: kindsIn('actuators') },
  { title: say('sheet.partsEditor.test-points'), list: 'testPoints', kind: 'testPoint' },
  { title: say('sheet.partsEditor.targets'), list: 'targets', kind: 'target' },
  { title: say('sheet.partsEditor.work'), list: 'work', kind: 'work' },
]
