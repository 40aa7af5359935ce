import { useQuery } from '@tanstack/vue-query'
import { call, type Schema } from '../api/client'

export type UnitSummary = Schema['UnitSummary']

export function useUnits() {
  return useQuery({ queryKey: ['units'], queryFn: () => call<UnitSummary[]>('GET', '/api/units') })
}
