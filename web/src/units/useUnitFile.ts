import { useQuery } from '@tanstack/vue-query'
import { computed } from 'vue'
import { call, type Schema } from '../api/client'
import type { UnitFile } from './unitFile'

/** What the run's instruments need of the unit: ratings to measure against, and how far a gauge may be wrong. */
export function useUnitFile(tag: string) {
  const { data } = useQuery({
    queryKey: ['unit', tag],
    queryFn: () => call<Schema['UnitDocument']>('GET', `/api/units/${tag}`),
  })
  const unit = computed(() => data.value?.document as UnitFile | undefined)
  const ratedCurrents = computed(() =>
    Object.fromEntries((unit.value?.components ?? []).filter((c) => c.ratedCurrentA).map((c) => [c.id, c.ratedCurrentA ?? 0])),
  )
  const gaugeErrors = computed(() =>
    Object.fromEntries((unit.value?.testPoints ?? []).map((t) => [t.id, (t.rangeBar * t.class) / 100])),
  )
  const band = computed<[number, number]>(() => unit.value?.fluid.bandC ?? [40, 60])
  return { ratedCurrents, gaugeErrors, band }
}
