import { onBeforeUnmount, onMounted } from 'vue'

/** Undo and redo by the keys that everybody knows, but not while a field is typed in. */
export function useUndoKeys(undo: () => void, redo: () => void) {
  function keys(e: KeyboardEvent) {
    if (!(e.ctrlKey || e.metaKey) || (e.target as HTMLElement).tagName === 'INPUT') return
    if (e.key === 'z' && !e.shiftKey) undo()
    else if (e.key === 'y' || e.key === 'z') redo()
    else return
    e.preventDefault()
  }
  onMounted(() => window.addEventListener('keydown', keys))
  onBeforeUnmount(() => window.removeEventListener('keydown', keys))
}
