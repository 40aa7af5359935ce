import { ref, watch, type Ref } from 'vue'

/** Something half typed, which survives leaving the page and coming back. A browser that keeps nothing only forgets it. */
export function useKept(place: string): Ref<string> {
  const text = ref(read(place))
  watch(text, (now) => {
    try {
      if (now) localStorage.setItem(place, now)
      else localStorage.removeItem(place)
    } catch {
      // Full, or forbidden: it stays on the page.
    }
  })
  return text
}

function read(place: string): string {
  try {
    return localStorage.getItem(place) ?? ''
  } catch {
    return ''
  }
}
