import { typedNumber, type PressureUnit } from '../display/quantity'
import { outOf, typedInto } from '../display/units'
import { say } from '../words'
import type { History } from './history'

/** An older record while it is filled in: everything as typed, pressures in the unit that is shown. */
export interface Draft {
  on: string
  by: string
  witness: string
  hours: string
  remark: string
  source: string
  /** what a file says that the form doesn't ask for: it is kept as it is */
  oilC?: number
  settings: DraftRow[]
  pumps: { pump: string; efficiency: string; plusMinus: string }[]
}

export interface DraftRow {
  setting: string
  found: string
  left: string
  asked: string
  tolerance: string
  reason: string
  gaugeErrorBar?: number
}

/** The file's own shape: early-gate/older-record/1. */
export interface OlderRecord {
  format: string
  tag: string
  on?: string
  by?: string
  witness?: string
  source?: string
  remark?: string
  hours?: number
  oilC?: number
  settings: Record<string, string | number>[]
  pumps?: { pump: string; volumetricEfficiency: number; plusMinus: number }[]
}

const COLUMNS = { found: 'asFoundBar', left: 'asLeftBar', asked: 'targetBar', tolerance: 'toleranceBar' } as const
type Column = keyof typeof COLUMNS

export function emptyDraft(history: History): Draft {
  const settings = history.settings
    .filter((s) => s.targetBar !== null && s.targetBar !== undefined)
    .map((s) => ({ setting: s.setting, found: '', left: '', asked: '', tolerance: '', reason: '' }))
  const pumps = history.pumps.map((p) => ({ pump: p.pump, efficiency: '', plusMinus: '' }))
  return { on: '', by: '', witness: '', hours: '', remark: '', source: 'field-sheet', settings, pumps }
}

function shown(bar: unknown, unit: PressureUnit): string {
  return typeof bar === 'number' ? String(Number(outOf('bar', bar, unit).toPrecision(5))) : ''
}

/** What a file holds, put into the form; rows of settings that the sheet lacks stay, so that nothing is dropped. */
export function fromFile(record: OlderRecord, history: History, unit: PressureUnit): Draft {
  const draft = emptyDraft(history)
  for (const row of record.settings) {
    const filled = {
      setting: String(row.setting),
      found: shown(row.asFoundBar, unit),
      left: shown(row.asLeftBar, unit),
      asked: shown(row.targetBar, unit),
      tolerance: shown(row.toleranceBar, unit),
      reason: String(row.reason ?? ''),
      gaugeErrorBar: typeof row.gaugeErrorBar === 'number' ? row.gaugeErrorBar : undefined,
    }
    const at = draft.settings.findIndex((s) => s.setting === filled.setting)
    if (at >= 0 && !draft.settings[at]?.left && !draft.settings[at]?.found) draft.settings[at] = filled
    else draft.settings.push(filled)
  }
  for (const p of record.pumps ?? []) {
    const filled = { pump: p.pump, efficiency: String(p.volumetricEfficiency), plusMinus: String(p.plusMinus) }
    const at = draft.pumps.findIndex((x) => x.pump === p.pump)
    if (at >= 0) draft.pumps[at] = filled
    else draft.pumps.push(filled)
  }
  const { on = '', by = '', witness = '', remark = '', source = 'field-sheet' } = record
  return { ...draft, on, by, witness, remark, source, oilC: record.oilC, hours: record.hours === undefined ? '' : String(record.hours) }
}

/** The record that the form makes, or what is wrong with what was typed. */
export function toRecord(draft: Draft, tag: string, unit: PressureUnit): { record: OlderRecord; wrong: string[] } {
  const wrong: string[] = []
  const number = (name: string, text: string, read: (t: string) => number) => {
    const value = read(text)
    if (Number.isNaN(value)) wrong.push(say('history.form.not-a-number', name, text))
    return value
  }
  const settings = draft.settings.flatMap((s) => {
    const typed = (Object.keys(COLUMNS) as Column[]).filter((c) => s[c].trim())
    if (!typed.length && !s.reason.trim()) return []
    const row: Record<string, string | number> = { setting: s.setting }
    for (const c of typed) row[COLUMNS[c]] = number(s.setting, s[c], (t) => typedInto('bar', t, unit))
    if (s.reason.trim()) row.reason = s.reason.trim()
    if (s.gaugeErrorBar !== undefined) row.gaugeErrorBar = s.gaugeErrorBar
    return [row]
  })
  if (!settings.length) wrong.push(say('history.form.no-row'))
  const pumps = draft.pumps
    .filter((p) => p.efficiency.trim() || p.plusMinus.trim())
    .map((p) => {
      if (!p.efficiency.trim() || !(typedNumber(p.plusMinus) > 0)) wrong.push(say('history.form.no-bounds', p.pump))
      return { pump: p.pump, volumetricEfficiency: number(p.pump, p.efficiency, typedNumber), plusMinus: typedNumber(p.plusMinus) }
    })
  const record: OlderRecord = {
    format: 'early-gate/older-record/1',
    tag,
    on: draft.on,
    by: draft.by.trim(),
    source: draft.source,
    settings,
  }
  if (draft.witness.trim()) record.witness = draft.witness.trim()
  if (draft.remark.trim()) record.remark = draft.remark.trim()
  if (draft.hours.trim()) record.hours = number(say('history.form.hours'), draft.hours, typedNumber)
  if (pumps.length) record.pumps = pumps
  if (draft.oilC !== undefined) record.oilC = draft.oilC
  return { record, wrong }
}
