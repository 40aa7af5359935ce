import { useQuery } from '@tanstack/vue-query'
import { computed } from 'vue'
import { call } from '../../api/client'
import type { PutKind } from './circuit'

/** What can be put on a line, and what must be known of it, as the core draws it. */
export function usePutKinds() {
  const { data } = useQuery({
    queryKey: ['put-kinds'],
    queryFn: () => call<PutKind[]>('GET', '/api/calc/redraw/kinds'),
    staleTime: Infinity,
  })
  const kinds = computed(() => data.value ?? [])
  return { kinds, isSet: (type: string) => kinds.value.some((k) => k.type === type && k.set) }
}
