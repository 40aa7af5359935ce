import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, onScopeDispose, ref, watch, type Ref } from 'vue'
import { asRefused, call, type Refused, type Schema } from '../api/client'
import { isDriver } from '../parts/kinds'
import { useDisplay } from '../display/display'
import { copyOf, type UnitFile } from '../units/unitFile'
import { apply, changes, conflicts, type Change } from './changes'
import { keepDraft, keptDraft, type Draft } from './draft'
import { useHistory } from './history'

export interface WhatIf {
  stopped: string[]
  speeds: Record<string, number>
  openings: Record<string, number>
  positions: Record<string, string>
  vented: string[]
  oilC: number
}

export const AT_REST: WhatIf = { stopped: [], speeds: {}, openings: {}, positions: {}, vented: [], oilC: 50 }

/** Somebody else saved meanwhile: what they changed, what I changed, and where both changed the same. */
export interface Clash {
  theirs: Schema['UnitDocument']
  mine: Change[]
  others: Change[]
  both: { mine: Change; theirs: Change }[]
}

/** The settings at target, the rest as the what-if bar has it. */
export function situationOf(unit: UnitFile, w: WhatIf): Record<string, unknown> {
  const drivers = unit.components.filter(isDriver)
  const speed = (d: UnitFile['components'][number]) =>
    d.speedsRpm ? { speedRpm: w.speeds[d.id] ?? (d.speedsRpm as { mid?: number } | undefined)?.mid } : {}
  return {
    drivers: Object.fromEntries(drivers.map((d) => [d.id, { running: !w.stopped.includes(d.id), ...speed(d) }])),
    openings: w.openings,
    positions: w.positions,
    vented: w.vented,
    oilC: w.oilC,
    settings: Object.fromEntries((unit.targets ?? []).map((t) => [t.setting, t.pressureBar])),
  }
}

/** The sheet of a unit while it is worked on: the draft with undo, what the model says of it, and saving a revision. */
export function useSheet(tag: string, whatIf: Ref<WhatIf>) {
  const display = useDisplay()
  const queries = useQueryClient()
  const history = useHistory()
  const draft = ref<UnitFile>()
  const unconfirmed = ref<string[]>([])
  const base = ref<Schema['UnitDocument']>()
  const answer = ref<Schema['SheetView']>()
  const targets = ref<Schema['TargetsView']>()
  /** bar by setting, as read at the machine: a standby shifts what section reliefs read at the pump */
  const measured = ref<Record<string, number>>({})
  const refused = ref<Refused | null>(null)
  const clash = ref<Clash | null>(null)

  const stored = useQuery({
    queryKey: ['unit', tag],
    queryFn: () => call<Schema['UnitDocument']>('GET', `/api/units/${tag}`),
  })

  function begin(unit: Schema['UnitDocument'], kept?: Draft) {
    base.value = unit
    draft.value = copyOf(kept?.document ?? (unit.document as UnitFile))
    unconfirmed.value = [...(kept?.unconfirmed ?? unit.unconfirmed)]
    history.begin(version())
  }

  watch(
    stored.data,
    async (unit) => {
      if (!unit || base.value) return
      const kept = keptDraft(tag)
      // A draft of an older revision keeps its own base, so that saving it finds out who came between.
      try {
        const from =
          kept && kept.base < unit.revision ? await call<Schema['UnitDocument']>('GET', `/api/units/${tag}/revisions/${kept.base}`) : unit
        begin(from, kept)
      } catch {
        // Its revision is not in this data folder: what was kept is another unit's of the same tag, or older than the data.
        begin(unit)
      }
    },
    { immediate: true },
  )

  const changed = computed(
    () =>
      draft.value !== undefined &&
      base.value !== undefined &&
      (JSON.stringify(draft.value) !== JSON.stringify(base.value.document) || unconfirmed.value.length !== base.value.unconfirmed.length),
  )

  let asked = 0
  async function solve() {
    const unit = draft.value
    if (!unit) return
    const mine = ++asked
    try {
      const body = {
        unit,
        situation: situationOf(unit, whatIf.value),
        schematic: base.value?.schematic,
        accepted: base.value?.accepted.map((a) => a.fingerprint),
      }
      const found = await call<Schema['SheetView']>('POST', `/api/calc/sheet?${display.query}`, body)
      if (mine === asked) {
        answer.value = found
        refused.value = null
      }
    } catch (e) {
      if (mine === asked) refused.value = asRefused(e)
    }
  }

  let derived = 0
  async function derive() {
    const mine = ++derived
    let found: Schema['TargetsView'] | undefined
    try {
      found = await call<Schema['TargetsView']>('POST', `/api/calc/targets?${display.query}`, {
        unit: draft.value,
        measured: measured.value,
      })
    } catch {
      found = undefined // what is wrong is said once, by the sheet itself
    }
    if (mine === derived) targets.value = found
  }

  let solving: ReturnType<typeof setTimeout> | undefined
  let deriving: ReturnType<typeof setTimeout> | undefined
  watch(
    [draft, whatIf, () => base.value?.accepted, () => display.pressure],
    () => {
      clearTimeout(solving)
      solving = setTimeout(() => void solve(), 40)
    },
    { deep: true, immediate: true },
  )
  watch(
    [draft, unconfirmed, measured, () => display.pressure],
    () => {
      if (!draft.value || !base.value) return
      history.note(version())
      keepDraft(tag, changed.value ? { base: base.value.revision, document: draft.value, unconfirmed: unconfirmed.value } : undefined)
      clearTimeout(deriving)
      deriving = setTimeout(() => void derive(), 250)
    },
    { deep: true, immediate: true },
  )
  onScopeDispose(() => {
    clearTimeout(solving)
    clearTimeout(deriving)
  })

  async function save(by: string) {
    try {
      const body = { base: base.value?.revision, document: draft.value, unconfirmed: unconfirmed.value, by }
      const unit = await call<Schema['UnitDocument']>('POST', `/api/units/${tag}/revisions`, body, true)
      keepDraft(tag, undefined)
      clash.value = null
      queries.setQueryData(['unit', tag], unit)
      begin(unit)
      for (const key of ['units', 'plan', 'revisions']) await queries.invalidateQueries({ queryKey: [key] })
    } catch (e) {
      refused.value = asRefused(e)
      if (refused.value.status === 409) await meet()
    }
  }

  async function meet() {
    const theirs = await call<Schema['UnitDocument']>('GET', `/api/units/${tag}`)
    const mine = changes(base.value?.document, draft.value)
    const others = changes(base.value?.document, theirs.document)
    clash.value = { theirs, mine, others, both: conflicts(mine, others) }
  }

  /** Takes the newest revision and makes my changes in it again, but for those left to the others. */
  function merge(leave: Change[]) {
    if (!clash.value) return
    const { theirs, mine } = clash.value
    const merged = copyOf(theirs.document) as Record<string, unknown>
    for (const c of mine) if (!leave.includes(c)) apply(merged, c)
    const unsure = unconfirmed.value
    begin(theirs)
    draft.value = merged as unknown as UnitFile
    unconfirmed.value = unsure
    clash.value = null
    refused.value = null
  }

  /** What undo goes back to: the unit, and what of it nobody had confirmed then. */
  function version(): string {
    return JSON.stringify({ unit: draft.value, unconfirmed: unconfirmed.value })
  }

  function turnBack(text: string | undefined) {
    if (text === undefined) return
    const there = JSON.parse(text) as { unit: UnitFile; unconfirmed: string[] }
    draft.value = there.unit
    unconfirmed.value = there.unconfirmed
  }

  return {
    draft,
    unconfirmed,
    measured,
    base,
    answer,
    targets,
    refused,
    clash,
    changed,
    loadError: stored.error,
    save,
    merge,
    undo: () => turnBack(history.undo()),
    redo: () => turnBack(history.redo()),
    canUndo: history.canUndo,
    canRedo: history.canRedo,
  }
}
