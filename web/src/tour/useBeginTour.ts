import { useQueryClient } from '@tanstack/vue-query'
import { useRouter } from 'vue-router'
import { useTour } from './useTour'

/** Begins the tour on its first page. */
export function useBeginTour() {
  const tour = useTour()
  const router = useRouter()
  const queries = useQueryClient()

  /** @returns false where it was refused; the tour says why */
  async function begin(): Promise<boolean> {
    const tag = await tour.begin()
    if (!tag) return false
    // Its unit may just have been put in.
    await queries.invalidateQueries({ queryKey: ['units'] })
    await router.push({ name: 'sheet', params: { tag } })
    return true
  }

  return { tour, begin }
}
