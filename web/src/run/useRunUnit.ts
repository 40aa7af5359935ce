import { useQuery } from '@tanstack/vue-query'
import { computed } from 'vue'
import { call } from '../api/client'
import { positionWord } from '../parts/levers'
import type { PressureUnit } from '../display/quantity'
import type { UnitFile } from '../units/unitFile'

/**
 * What the run's instruments need of the unit that it was begun with: ratings to measure against, and how far a gauge may be wrong. Its
 * sheet may have been changed since, or removed.
 */
export function useRunUnit(run: string) {
  const { data: unit } = useQuery({
    queryKey: ['run-unit', run],
    queryFn: () => call<UnitFile>('GET', `/api/runs/${run}/unit`),
    staleTime: Infinity,
  })
  const ratedCurrents = computed(() =>
    Object.fromEntries((unit.value?.components ?? []).filter((c) => c.ratedCurrentA).map((c) => [c.id, c.ratedCurrentA ?? 0])),
  )
  const gaugeErrors = computed(() => Object.fromEntries((unit.value?.testPoints ?? []).map((t) => [t.id, (t.rangeBar * t.class) / 100])))
  /** How long a battery motor may be on, s. */
  const onTimes = computed(() =>
    Object.fromEntries((unit.value?.components ?? []).filter((c) => c.type === 'dc-motor').map((c) => [c.id, Number(c.onTimeS)])),
  )
  const reads = computed(() => Object.fromEntries((unit.value?.testPoints ?? []).map((t) => [t.id, (t.reads ?? 'bar') as PressureUnit])))
  /** The gauge of each line that has one. */
  const gaugeOn = computed<Record<string, string>>(() => Object.fromEntries((unit.value?.testPoints ?? []).map((t) => [t.line, t.id])))
  const band = computed<[number, number]>(() => unit.value?.fluid.bandC ?? [40, 60])
  /** A valve's position as its lever is marked. */
  function position(valve: string, at: string): string {
    return positionWord(
      unit.value?.components.find((c) => c.id === valve),
      at,
    )
  }
  return { position, ratedCurrents, onTimes, gaugeErrors, reads, gaugeOn, band }
}
