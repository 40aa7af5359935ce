import { useQuery } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { call, type Schema } from '../api/client'

/** How the settings as found become known: as chosen, else read where the unit has run at the machine before and counted where not. */
export function useAsFound(tag: string) {
  const chosen = ref<string>()
  const { data } = useQuery({
    queryKey: ['runs-of', tag],
    queryFn: () => call<Schema['RunSummary'][]>('GET', `/api/runs?tag=${encodeURIComponent(tag)}`),
  })
  const ran = computed(() => data.value?.some((r) => r.finished && !r.practice))
  return computed({
    get: () => chosen.value ?? (ran.value ? 'read' : 'count'),
    set: (way: string) => (chosen.value = way),
  })
}
