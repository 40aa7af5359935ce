import type { Place } from '../api/client'
import { isDriver } from '../parts/kinds'
import { TANK, type UnitFile } from '../units/unitFile'
import { say } from '../words'
import { addPart } from './newParts'

/** What is missing on a sheet, in the words of its schematic, and what would mend it. */
export interface Missing {
  text: string
  /** the place in the unit file, where nothing better can be said */
  path: string
  ways: Way[]
}

export interface Way {
  label: string
  /** Changes the unit; gives the places that hold defaults then. */
  mend?: (unit: UnitFile) => string[]
  /** part whose fields are opened */
  open?: string
}

const DRIVES = ['electric-motor', 'engine', 'dc-motor']
const JOINS = ['inlet', 'outlet', 'a', 'b', 'out', 'supply', 'return', 'pilot', 'signal', 'cap', 'rod', 'portA', 'portB', 'line']

export function missing(unit: UnitFile, places: Place[]): Missing[] {
  return places.map((p) => one(unit, p))
}

function one(unit: UnitFile, place: Place): Missing {
  const { path, message } = place
  if (path === 'components') return { text: say('sheet.missing.no-part'), path: '', ways: DRIVES.map((type) => adds(type)) }
  if (path === 'lines') return { text: say('sheet.missing.no-line'), path: '', ways: [drawsLine()] }
  const shut = /^lines\.(\w+)$/.exec(path)
  if (shut) return { text: message, path: '', ways: [relieves(shut[1] ?? '')] }
  const at = /^(lines|components|testPoints|targets|work)\[(\d+)\]\.?(\w*)/.exec(path)
  if (!at) return { text: message, path, ways: [] }
  const entry = (unit[at[1] as 'components'] as { id?: string; setting?: string; [key: string]: unknown }[])[Number(at[2])]
  const id = String(entry?.id ?? entry?.setting ?? '')
  const opens: Way[] = id ? [{ label: say('sheet.missing.open', id), open: id }] : []
  if (at[3] === 'driver') {
    const there = unit.components.filter(isDriver)
    return {
      text: say('sheet.missing.no-drive', id),
      path: '',
      ways: there.length
        ? there.map((d) => ({ label: say('sheet.missing.driven-by', d.id), mend: drives(id, () => d.id) }))
        : DRIVES.map((type) => adds(type, id)),
    }
  }
  if (JOINS.includes(at[3] ?? '') && !entry?.[at[3] ?? ''])
    return { text: say('sheet.missing.not-joined', id, at[3]), path: '', ways: opens }
  return { text: id ? `${id}: ${message}` : message, path: id ? '' : path, ways: opens }
}

function adds(type: string, driven = ''): Way {
  return {
    label: say('sheet.missing.add', type.replaceAll('-', ' ')),
    mend: (unit) => {
      const added = addPart(unit, type)
      drives(driven, () => added.id)(unit)
      return added.defaults
    },
  }
}

/** A line whose oil has nowhere to go. */
function relieves(line: string): Way {
  return {
    label: say('sheet.missing.relief-on', line),
    mend: (unit) => {
      const added = addPart(unit, 'relief-valve')
      Object.assign(unit.components.find((c) => c.id === added.id) ?? {}, { inlet: line, outlet: TANK })
      return added.defaults
    },
  }
}

function drives(pump: string, driver: () => string) {
  return (unit: UnitFile): string[] => {
    const driven = unit.components.find((c) => c.id === pump)
    if (driven) driven.driver = driver()
    return []
  }
}

function drawsLine(): Way {
  return {
    label: say('sheet.missing.pump-line'),
    mend: (unit) => {
      unit.lines.push({ id: 'P', name: say('sheet.missing.pump-line-name'), ratingBar: 250, volumeL: 1 })
      return ['lines.P.ratingBar', 'lines.P.volumeL']
    },
  }
}
