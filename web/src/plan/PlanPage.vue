<script setup lang="ts">
import { say } from '../words'
import { useQuery } from '@tanstack/vue-query'
import Button from 'primevue/button'
import Select from 'primevue/select'
import { computed, ref, watch } from 'vue'
import { asRefused, call, type Schema } from '../api/client'
import Circuit from '../circuit/Circuit.vue'
import { useDisplay } from '../display/display'
import { SCHOOL_NAMES } from '../display/names'
import Problems from '../display/Problems.vue'
import Waiting from '../display/Waiting.vue'
import Staff from '../staff/Staff.vue'
import PlanBasis from './PlanBasis.vue'
import RefusalList from './RefusalList.vue'
import SchoolTable from './SchoolTable.vue'
import StepDetail from './StepDetail.vue'
import StepList from './StepList.vue'
import { useAsFound } from './useAsFound'
import { usePlan } from './usePlan'

const props = defineProps<{ tag: string }>()
const display = useDisplay()
const school = ref('auto')
const sectionOrder = ref('highest-first')
const asFound = useAsFound(props.tag)
const SECTIONS = [
  { value: 'highest-first', label: say('plan.planPage.highest-first') },
  { value: 'branches-first', label: say('plan.planPage.branches-first') },
]
const WAYS = [
  { label: say('plan.planPage.counted'), value: 'count' },
  { label: say('plan.planPage.read'), value: 'read' },
]
const GAPS: object[] = [
  { kind: 'fixed', bar: 14 },
  { kind: 'fixed', bar: 17 },
  { kind: 'percent', compensator: 10, relief: 20 },
  { kind: 'schematic' },
]
const gaps = computed(() =>
  [
    say('plan.planPage.between', display.show(14)),
    say('plan.planPage.between', display.show(17)),
    say('plan.planPage.and-above-work'),
    say('plan.planPage.as-the-schematic'),
  ].map((label, at) => ({ label, at })),
)
const gap = ref(0)
const gapSchool = computed(() => GAPS[gap.value] ?? {})
const { data, error } = usePlan(props.tag, school, sectionOrder, asFound, gapSchool)
const chosen = ref('')

const steps = computed(() => data.value?.plan.phases.flatMap((p) => p.steps) ?? [])
const step = computed(() => steps.value.find((s) => s.id === chosen.value) ?? steps.value[0])
/** The staffs that this step is read on; all of them where it is read on none. */
const shownStaffs = computed(() => {
  const all = sheet.data.value?.staffs ?? []
  const lines = step.value?.expect.map((e) => data.value?.unit.testPoints?.find((t) => t.id === e.testPoint)?.line) ?? []
  const read = all.filter((s) => lines.includes(s.line))
  return read.length ? read : all.slice(0, 1)
})
const positions = computed(() => (step.value?.situation as { positions?: Record<string, string> } | undefined)?.positions ?? {})
const sections = computed(() => data.value?.unit.components.some((c) => c.type === 'section') ?? false)
const chosenGap = computed(() => JSON.stringify(gapSchool.value))
const query = computed(
  () =>
    `school=${school.value}&sectionOrder=${sectionOrder.value}&asFound=${asFound.value}&gapSchool=${encodeURIComponent(chosenGap.value)}&${display.query}`,
)

watch(steps, (all) => {
  if (!all.some((s) => s.id === chosen.value)) chosen.value = all.find((s) => s.kind === 'set')?.id ?? all[0]?.id ?? ''
})

const sheet = useQuery({
  queryKey: computed(() => ['step-sheet', props.tag, display.pressure, step.value?.id, JSON.stringify(step.value?.situation)]),
  queryFn: () =>
    call<Schema['SheetView']>('POST', `/api/calc/sheet?${display.query}`, { unit: data.value?.unit, situation: step.value?.situation }),
  enabled: computed(() => step.value !== undefined),
  placeholderData: (previous) => previous,
})

function go(by: number) {
  const at = steps.value.findIndex((s) => s.id === step.value?.id)
  chosen.value = steps.value[Math.max(0, Math.min(steps.value.length - 1, at + by))]?.id ?? ''
}
</script>

<template>
  <Problems :refused="error ? asRefused(error) : null" />
  <section v-if="data" class="card school">
    <div class="row">
      <h1>
        {{ data.plan.refused.length ? say('plan.planPage.there-is-no-safe') : (SCHOOL_NAMES[data.plan.school] ?? data.plan.school) }}
      </h1>
      <span class="gap"></span>
      <template v-if="!data.plan.refused.length">
        <a :href="`/api/units/${tag}/field-sheet.pdf?${query}`" download
          ><Button :label="say('plan.planPage.field-sheet')" severity="secondary" outlined tabindex="-1"
        /></a>
        <a :href="`/api/units/${tag}/plan.csv?${query}`" download
          ><Button :label="say('plan.planPage.csv')" severity="secondary" outlined tabindex="-1"
        /></a>
        <a :href="`/api/units/${tag}/plan.json?${query}`" download
          ><Button :label="say('plan.planPage.json')" severity="secondary" outlined tabindex="-1"
        /></a>
        <RouterLink :to="{ name: 'start', params: { tag }, query: { school, sectionOrder, asFound, gapSchool: chosenGap } }"
          ><Button :label="say('plan.planPage.walk-this-plan')" tabindex="-1"
        /></RouterLink>
      </template>
    </div>
    <div class="row choices">
      <label
        >{{ say('plan.planPage.gap') }}
        <Select v-model="gap" :options="gaps" option-label="label" option-value="at" :aria-label="say('plan.planPage.gap-school')"
      /></label>
      <label
        >{{ say('plan.planPage.as-found') }}
        <Select v-model="asFound" :options="WAYS" option-label="label" option-value="value" :aria-label="say('plan.planPage.as-found-by')"
      /></label>
      <label v-if="sections"
        >{{ say('plan.planPage.sections') }}
        <Select
          v-model="sectionOrder"
          :options="SECTIONS"
          option-label="label"
          option-value="value"
          :aria-label="say('plan.planPage.sections')"
        />
      </label>
    </div>
    <p v-if="!data.plan.refused.length">{{ data.plan.why }}</p>
    <RefusalList :tag="tag" :unit="data.unit" :refused="data.plan.refused" />
    <PlanBasis v-if="!data.plan.refused.length" :plan="data.plan" />
    <SchoolTable v-if="data.plan.comparison.length" v-model="school" :comparison="data.plan.comparison" :planned="data.plan.school" />
  </section>
  <template v-if="data && !data.plan.refused.length">
    <div class="page">
      <StepList v-model="chosen" :phases="data.plan.phases" :current="step?.id" />
      <section v-if="step" class="card chosen">
        <div class="row">
          <span class="quiet">{{ say('plan.planPage.step-of', step.id.slice(1), steps.length, step.kind.replace('-', ' ')) }}</span>
          <span class="gap"></span>
          <Button :label="say('plan.planPage.back')" severity="secondary" outlined @click="go(-1)" />
          <Button :label="say('plan.planPage.next')" severity="secondary" outlined @click="go(1)" />
        </div>
        <h1>{{ step.action }}</h1>
        <StepDetail :step="step">
          <Circuit
            class="pic"
            :unit="data.unit"
            :steady="sheet.data.value?.steady"
            :positions="positions"
            :current="step.setting ?? undefined"
          />
        </StepDetail>
      </section>
      <section>
        <Staff
          v-for="s in shownStaffs"
          :key="s.line"
          :staff="s"
          :live="sheet.data.value?.steady.lines[s.line]?.pressureBar"
          :current="step?.setting"
        />
      </section>
    </div>
  </template>
  <Waiting v-else-if="!data && !error" :what="say('plan.planPage.working', tag)" />
</template>

<style scoped>
.school {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 8px;
  padding: 10px 18px;
}
.school label {
  display: inline-flex;
  gap: 8px;
  align-items: center;
}
.page {
  display: grid;
  grid-template-columns: 380px minmax(0, 1fr) 310px;
  gap: 14px;
  margin-top: 12px;
}
.row {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  white-space: nowrap;
  align-items: center;
}
.chosen {
  display: grid;
  gap: 10px;
  align-content: start;
}
.pic {
  max-height: 250px;
}
@media (max-width: 800px) {
  .page {
    grid-template-columns: minmax(0, 1fr);
  }
  .row {
    white-space: normal;
  }
}
</style>
