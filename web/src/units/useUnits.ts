import { useQuery } from '@tanstack/vue-query'
import { call, type Schema } from '../api/client'

export type UnitSummary = Schema['UnitSummary']

export function useUnits() {
  return useQuery({ queryKey: ['units'], queryFn: () => call<UnitSummary[]>('GET', '/api/units') })
}

/** Past the day that was written down for its next check; what is no date is never due by itself. */
export function isDue(nextCheck: string | undefined, today = new Date()): boolean {
  return nextCheck !== undefined && /^\d{4}-\d\d-\d\d$/.test(nextCheck) && nextCheck < today.toISOString().slice(0, 10)
}
