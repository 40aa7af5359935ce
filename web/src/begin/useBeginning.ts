import { useQuery } from '@tanstack/vue-query'
import { onScopeDispose, ref, watch, type Ref } from 'vue'
import { asRefused, call, type Refused, type Schema } from '../api/client'
import { useDisplay } from '../display/display'
import { emptyUnit } from '../sheet/newParts'
import { AT_REST, situationOf } from '../sheet/useSheet'
import { copyOf, LIKE, type UnitFile } from '../units/unitFile'

export type PatternView = Schema['PatternView']

/** A sheet begins by a pattern's key, like a unit that is there, or with nothing but a line. */
export const EMPTY = 'empty'

export interface Given {
  tag: string
  name: string
  answers: Record<string, string>
}

export function usePatterns() {
  return useQuery({ queryKey: ['patterns'], queryFn: () => call<PatternView[]>('GET', '/api/patterns'), staleTime: Infinity })
}

/** The unit file that follows from what was given so far, and what the model says of it; drawn anew a moment after each change. */
export function useBeginning(by: Ref<string>, given: Ref<Given>) {
  const display = useDisplay()
  const drawn = ref<Schema['DrawnView']>()
  const sheet = ref<Schema['SheetView']>()
  const refused = ref<Refused | null>(null)
  let asked = 0

  async function draw(): Promise<Schema['DrawnView'] | undefined> {
    const { tag, name, answers } = given.value
    if (!by.value) return undefined
    if (by.value === EMPTY) return whole(emptyUnit(tag, name))
    if (by.value.startsWith(LIKE)) {
      const from = by.value.slice(LIKE.length)
      const like = await call<Schema['UnitDocument']>('GET', `/api/units/${encodeURIComponent(from)}`)
      const unit = copyOf(like.document) as UnitFile
      // What nobody has confirmed there is nobody's word here either.
      return { ...whole({ ...unit, tag: tag || unit.tag, name: name || unit.name }), unconfirmed: like.unconfirmed }
    }
    return call<Schema['DrawnView']>('POST', `/api/patterns/${by.value}`, { tag, name, answers })
  }

  async function refresh() {
    const mine = ++asked
    try {
      const now = await draw()
      if (mine !== asked) return
      drawn.value = now
      refused.value = null
      if (!now?.document || now.problems.length || by.value === EMPTY) {
        sheet.value = undefined
        return
      }
      const unit = now.document as UnitFile
      const body = { unit, situation: situationOf(unit, AT_REST) }
      const answer = await call<Schema['SheetView']>('POST', `/api/calc/sheet?${display.query}`, body)
      if (mine === asked) sheet.value = answer
    } catch (e) {
      if (mine === asked) refused.value = asRefused(e)
    }
  }

  let waiting: ReturnType<typeof setTimeout> | undefined
  watch(
    [by, given, () => display.pressure],
    () => {
      clearTimeout(waiting)
      waiting = setTimeout(() => void refresh(), 120)
    },
    { deep: true, immediate: true },
  )
  onScopeDispose(() => clearTimeout(waiting))

  /** Drawn from what stands there this moment, whatever is still under way. */
  async function drawNow() {
    clearTimeout(waiting)
    asked++
    drawn.value = await draw()
    return drawn.value
  }
  return { drawn, sheet, refused, drawNow }
}

function whole(document: UnitFile): Schema['DrawnView'] {
  return { document, unconfirmed: [], open: [], wrong: {}, problems: [] }
}
