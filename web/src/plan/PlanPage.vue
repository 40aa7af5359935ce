<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import Button from 'primevue/button'
import { computed, nextTick, ref, watch } from 'vue'
import { asRefused, call, type Schema } from '../api/client'
import Circuit from '../circuit/Circuit.vue'
import { useDisplay } from '../display/display'
import { SCHOOL_NAMES } from '../display/names'
import Problems from '../display/Problems.vue'
import Staff from '../staff/Staff.vue'
import StepDetail from './StepDetail.vue'
import { usePlan } from './usePlan'

const props = defineProps<{ tag: string }>()
const display = useDisplay()
const { data, error } = usePlan(props.tag)
const chosen = ref('')
const list = ref<HTMLElement>()

const steps = computed(() => data.value?.plan.phases.flatMap((p) => p.steps) ?? [])
const step = computed(() => steps.value.find((s) => s.id === chosen.value) ?? steps.value[0])
const minutes = computed(() => steps.value.reduce((sum, s) => sum + s.minutes, 0))
const comparison = computed(() => data.value?.plan.comparison[0])

watch([steps, list], ([all]) => {
  if (!all.some((s) => s.id === chosen.value)) chosen.value = all.find((s) => s.kind === 'set')?.id ?? all[0]?.id ?? ''
  void nextTick(() => {
    const here = list.value?.querySelector<HTMLElement>('[aria-current="step"]')
    if (here && list.value) list.value.scrollTop = here.offsetTop - list.value.clientHeight / 2
  })
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
  <section v-if="data?.plan.refused.length" class="card refused">
    <h1>There is no safe plan as things stand</h1>
    <p v-for="r in data.plan.refused" :key="r.code + r.subject"><b>■ {{ r.subject }}</b> {{ r.message }}</p>
    <RouterLink :to="{ name: 'sheet', params: { tag } }"><Button label="Back to the sheet" tabindex="-1" /></RouterLink>
  </section>
  <template v-else-if="data">
    <section class="card school">
      <div>
        <h1>{{ SCHOOL_NAMES[data.plan.school] ?? data.plan.school }}</h1>
        <p>{{ data.plan.why }}</p>
      </div>
      <dl v-if="comparison">
        <div><dt>Peak motor load</dt><dd>{{ Math.round(comparison.peakMotorLoad * 100) }} %</dd></div>
        <div><dt>Oil warms by</dt><dd>{{ comparison.tankRiseC }} K</dd></div>
        <div><dt>Unprotected</dt><dd>{{ Math.round(comparison.unprotectedS / 60) }} min</dd></div>
        <div><dt>Screw moves</dt><dd>{{ comparison.moves }}</dd></div>
        <div><dt>In all</dt><dd>{{ minutes }} min</dd></div>
      </dl>
      <RouterLink :to="{ name: 'start', params: { tag } }"><Button label="Walk this plan" tabindex="-1" /></RouterLink>
    </section>
    <div class="page">
      <nav ref="list" class="card steps" aria-label="Steps">
        <template v-for="p in data.plan.phases" :key="p.id">
          <h2>{{ p.title }}</h2>
          <button
            v-for="s in p.steps" :key="s.id" type="button" :class="{ here: s.id === step?.id, set: s.kind === 'set' }"
            :aria-current="s.id === step?.id ? 'step' : undefined" @click="chosen = s.id">
            <span class="kind">{{ s.id.slice(1) }}</span><span>{{ s.unprotected ? '▲ ' : '' }}{{ s.action }}</span>
          </button>
          <p class="hold"><b>Gate</b> {{ p.holdPoint.conditions.join('; ') }}</p>
        </template>
      </nav>
      <section v-if="step" class="card chosen">
        <div class="row">
          <span class="quiet">Step {{ step.id.slice(1) }} of {{ steps.length }} · {{ step.kind.replace('-', ' ') }}</span>
          <span class="gap"></span>
          <Button label="Back" severity="secondary" outlined @click="go(-1)" />
          <Button label="Next" severity="secondary" outlined @click="go(1)" />
        </div>
        <h1>{{ step.action }}</h1>
        <StepDetail :step="step">
          <Circuit class="pic" :unit="data.unit" :steady="sheet.data.value?.steady" :current="step.setting" />
        </StepDetail>
      </section>
      <section>
        <Staff
          v-for="s in sheet.data.value?.staffs" :key="s.line" :staff="s" :live="sheet.data.value?.steady.lines[s.line]?.pressureBar"
          :current="step?.setting" />
      </section>
    </div>
  </template>
  <p v-else-if="!error" class="quiet">Deriving the plan …</p>
</template>

<style scoped>
.refused {
  display: grid;
  gap: 10px;
  border-left: 7px solid var(--stop);
}
.school {
  display: flex;
  gap: 24px;
  align-items: center;
  padding: 12px 20px;
}
.school > div {
  flex: 1;
}
.school dl {
  display: flex;
  gap: 22px;
  margin: 0;
}
.school dt {
  color: var(--quiet);
  font-size: 14px;
  white-space: nowrap;
}
.school dd {
  margin: 0;
  font-size: 20px;
  font-weight: 700;
}
.page {
  display: grid;
  grid-template-columns: 380px minmax(0, 1fr) 310px;
  gap: 14px;
  margin-top: 12px;
}
.steps {
  position: relative;
  padding: 8px;
  max-height: calc(100vh - 190px);
  overflow-y: auto;
}
.steps h2 {
  padding: 8px 8px 4px;
}
.steps button {
  display: flex;
  gap: 10px;
  width: 100%;
  min-height: 44px;
  text-align: left;
  font: inherit;
  font-size: 15px;
  color: inherit;
  background: none;
  border: 0;
  border-radius: 6px;
  padding: 6px 8px;
  cursor: pointer;
}
.steps button.here {
  background: var(--gate);
  color: var(--on-gate);
}
.steps button.set {
  font-weight: 700;
}
.kind {
  min-width: 22px;
  text-align: right;
  opacity: 0.75;
}
.hold {
  font-size: 14px;
  color: var(--quiet);
  border-top: 2px dashed var(--gold);
  margin: 4px 8px 0;
  padding-top: 4px;
}
.row {
  display: flex;
  gap: 10px;
  align-items: center;
}
.gap {
  flex: 1;
}
.chosen {
  display: grid;
  gap: 10px;
  align-content: start;
}
.pic {
  max-height: 250px;
}
</style>
