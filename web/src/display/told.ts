import { useToast } from 'primevue/usetoast'

/** Says for a while that something was done, with the way back beside it. */
export function useTold() {
  const toast = useToast()
  return (text: string, undo?: () => void) => toast.add({ summary: text, detail: undo, life: undo ? 12_000 : 5_000 })
}
