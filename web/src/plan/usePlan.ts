import { useQuery } from '@tanstack/vue-query'
import { computed, type Ref } from 'vue'
import { call, type Schema } from '../api/client'
import { useDisplay } from '../display/display'
import type { UnitFile } from '../units/unitFile'

/** The stored unit with the plan that follows from it. */
export function usePlan(tag: string, school: Ref<string>, sectionOrder: Ref<string>, asFound: Ref<string>, gapSchool: Ref<object>) {
  const display = useDisplay()
  return useQuery({
    queryKey: computed(() => [
      'plan',
      tag,
      display.pressure,
      school.value,
      sectionOrder.value,
      asFound.value,
      JSON.stringify(gapSchool.value),
    ]),
    queryFn: async ({ signal }) => {
      const stored = await call<Schema['UnitDocument']>('GET', `/api/units/${tag}`)
      const unit = stored.document as UnitFile
      const wish = {
        unit,
        school: school.value,
        sectionOrder: sectionOrder.value,
        asFound: asFound.value,
        gapSchool: gapSchool.value,
      }
      const plan = await call<Schema['PlanView']>('POST', `/api/calc/plan?${display.query}`, wish, false, signal)
      return { unit, revision: stored.revision, plan }
    },
    placeholderData: (previous) => previous,
  })
}
