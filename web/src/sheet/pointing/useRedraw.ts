import { ref, type Ref } from 'vue'
import { asRefused, call, type Refused, type Schema } from '../../api/client'
import { useTold } from '../../display/told'
import { copyOf, type UnitFile } from '../../units/unitFile'
import { say } from '../../words'

type Asked = Schema['ChangeView']
export type Change = Pick<Asked, 'kind' | 'subject'> & { [K in keyof Asked]?: Asked[K] | undefined }

/** Changes the drawn unit as it was pointed out, and says what came of it with the way back. */
export function useRedraw(unit: Ref<UnitFile | undefined>, unconfirmed: Ref<string[]>) {
  const refused = ref<Refused | null>(null)
  const busy = ref(false)
  const told = useTold()

  /** @returns the name of what was drawn; undefined where it was refused */
  async function redraw(change: Change): Promise<string | undefined> {
    if (!unit.value || busy.value) return undefined
    const before = { unit: copyOf(unit.value), unconfirmed: [...unconfirmed.value] }
    busy.value = true
    try {
      const drawn = await call<Schema['RedrawnView']>('POST', '/api/calc/redraw', { ...before, change })
      unit.value = drawn.document as UnitFile
      unconfirmed.value = drawn.unconfirmed
      refused.value = null
      const gone = drawn.gone.filter((g) => g !== change.subject)
      const after = JSON.stringify(drawn.document)
      told(gone.length ? `${drawn.said} ${say('pointing.useRedraw.with-it', gone.join(', '))}` : drawn.said, () => {
        // What was drawn since must not go with it.
        if (JSON.stringify(unit.value) !== after) return told(say('pointing.useRedraw.changed-since'))
        unit.value = before.unit
        unconfirmed.value = before.unconfirmed
      })
      return drawn.made
    } catch (e) {
      refused.value = asRefused(e)
      return undefined
    } finally {
      busy.value = false
    }
  }

  return { redraw, refused, busy }
}
