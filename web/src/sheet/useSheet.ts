import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, onScopeDispose, ref, watch, type Ref } from 'vue'
import { asRefused, call, type Refused, type Schema } from '../api/client'
import { useDisplay } from '../display/display'
import type { UnitFile } from '../units/unitFile'

export interface WhatIf {
  running: boolean
  openings: Record<string, number>
  oilC: number
}

/** The sheet of a unit while it is worked on: the draft, what the model says of it, and saving it as a new revision. */
export function useSheet(tag: string, whatIf: Ref<WhatIf>) {
  const display = useDisplay()
  const queries = useQueryClient()
  const key = `draft-${tag}`
  const draft = ref<UnitFile>()
  const revision = ref(0)
  const answer = ref<Schema['SheetView']>()
  const refused = ref<Refused | null>(null)
  const saved = ref('')

  const stored = useQuery({
    queryKey: ['unit', tag],
    queryFn: () => call<Schema['UnitDocument']>('GET', `/api/units/${tag}`),
  })
  watch(
    stored.data,
    (unit) => {
      if (!unit) return
      revision.value = unit.revision
      saved.value = JSON.stringify(unit.document)
      const kept = sessionStorage.getItem(key)
      draft.value = JSON.parse(kept ?? saved.value) as UnitFile
    },
    { immediate: true },
  )

  const changed = computed(() => draft.value !== undefined && JSON.stringify(draft.value) !== saved.value)

  function situation(unit: UnitFile) {
    const motors = unit.components.filter((c) => ['electric-motor', 'engine', 'dc-motor'].includes(c.type))
    const settings = Object.fromEntries((unit.targets ?? []).map((t) => [t.setting, t.pressureBar]))
    return {
      drivers: Object.fromEntries(motors.map((m) => [m.id, { running: whatIf.value.running }])),
      openings: whatIf.value.openings,
      oilC: whatIf.value.oilC,
      settings,
    }
  }

  let asked = 0
  async function solve() {
    const unit = draft.value
    if (!unit) return
    const mine = ++asked
    try {
      const body = { unit, situation: situation(unit) }
      const found = await call<Schema['SheetView']>('POST', `/api/calc/sheet?${display.query}`, body)
      if (mine === asked) {
        answer.value = found
        refused.value = null
      }
    } catch (e) {
      if (mine === asked) refused.value = asRefused(e)
    }
  }

  let timer: ReturnType<typeof setTimeout> | undefined
  watch(
    [draft, whatIf, () => display.pressure],
    () => {
      if (changed.value) sessionStorage.setItem(key, JSON.stringify(draft.value))
      else sessionStorage.removeItem(key)
      clearTimeout(timer)
      timer = setTimeout(() => void solve(), 40)
    },
    { deep: true, immediate: true },
  )
  onScopeDispose(() => clearTimeout(timer))

  async function save() {
    try {
      const unit = await call<Schema['UnitDocument']>('PUT', `/api/units/${tag}`, JSON.stringify(draft.value))
      sessionStorage.removeItem(key)
      queries.setQueryData(['unit', tag], unit)
      await queries.invalidateQueries({ queryKey: ['units'] })
      await queries.invalidateQueries({ queryKey: ['plan', tag] })
    } catch (e) {
      refused.value = asRefused(e)
    }
  }

  function undoAll() {
    draft.value = JSON.parse(saved.value) as UnitFile
  }

  return { draft, revision, answer, refused, changed, loadError: stored.error, save, undoAll }
}
