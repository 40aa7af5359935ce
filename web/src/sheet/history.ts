import { computed, ref } from 'vue'

/** Versions of a text, for undo and redo. What follows within a moment of the last change counts as the same step. */
export function useHistory(apart = 700) {
  const versions = ref<string[]>([])
  const at = ref(-1)
  let last = 0

  function begin(text: string) {
    versions.value = [text]
    at.value = 0
    last = 0
  }

  function note(text: string, now = Date.now()) {
    if (text === versions.value[at.value]) return
    const joins = now - last < apart && at.value > 0
    versions.value = [...versions.value.slice(0, joins ? at.value : at.value + 1), text].slice(-200)
    at.value = versions.value.length - 1
    last = now
  }

  function step(by: number): string | undefined {
    const next = versions.value[at.value + by]
    if (next === undefined) return undefined
    at.value += by
    last = 0
    return next
  }

  return {
    begin,
    note,
    undo: () => step(-1),
    redo: () => step(1),
    canUndo: computed(() => at.value > 0),
    canRedo: computed(() => at.value < versions.value.length - 1),
  }
}
