import { useQuery } from '@tanstack/vue-query'
import { ref, watch } from 'vue'
import { call, type Schema } from '../api/client'

/** How the settings as found become known: read where the unit has run at the machine before, else counted; until it is chosen. */
export function useAsFound(tag: string) {
  const asFound = ref('count')
  const { data } = useQuery({
    queryKey: ['runs-of', tag],
    queryFn: () => call<Schema['RunSummary'][]>('GET', `/api/runs?tag=${encodeURIComponent(tag)}`),
  })
  watch(data, (runs) => {
    if (runs?.some((r) => r.finished && !r.practice)) asFound.value = 'read'
  })
  return asFound
}
