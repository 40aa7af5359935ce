<script setup lang="ts">
import Button from 'primevue/button'
import Column from 'primevue/column'
import DataTable from 'primevue/datatable'
import { useDisplay } from '../display/display'
import { say } from '../words'
import type { Schema } from '../api/client'
import { SCHOOL_NAMES } from '../display/names'

/** The ways side by side, with what each costs; one that is unsafe here says why. */
type Way = Schema['ComparisonView']
const props = defineProps<{ comparison: Way[]; planned: string }>()
const display = useDisplay()
const school = defineModel<string>({ required: true })

/** One that is refused shows no more than why: its peak. */
const FIGURES: { header: string; shown: (c: Way) => string | number }[] = [
  { header: say('plan.schoolTable.peak-motor-load'), shown: (c) => `${Math.round(c.peakMotorLoad * 100)} %` },
  { header: say('plan.schoolTable.heat'), shown: (c) => say('plan.schoolTable.mj', (c.heatKj / 1000).toFixed(1)) },
  { header: say('plan.schoolTable.oil-warms-by'), shown: (c) => display.warming(c.tankRiseC, 1) },
  { header: say('plan.schoolTable.longest-unprotected'), shown: (c) => minutes(c.unprotectedS) },
  { header: say('plan.schoolTable.screw-moves'), shown: (c) => c.moves },
  { header: say('plan.schoolTable.in-all'), shown: (c) => say('plan.schoolTable.min', c.minutes) },
]

function minutes(seconds: number): string {
  return seconds ? say('plan.schoolTable.min', Math.round(seconds / 60)) : say('plan.schoolTable.none')
}

function sign(c: Way): string {
  return c.refused ? '■' : c.school === props.planned ? '●' : '○'
}
</script>

<template>
  <DataTable size="small" :value="comparison" data-key="school" :row-class="(c: Way) => ({ here: c.school === planned })">
    <Column :header="say('plan.schoolTable.way')">
      <template #body="{ data: c }">
        <Button
          text
          severity="secondary"
          :label="`${sign(c)} ${SCHOOL_NAMES[c.school] ?? c.school}`"
          :disabled="!!c.refused || comparison.length === 1"
          :aria-pressed="c.school === planned"
          @click="school = c.school"
        />
        <p v-if="c.refused" class="over small">{{ say('plan.schoolTable.refused', c.refused) }}</p>
      </template>
    </Column>
    <Column v-for="f in FIGURES" :key="f.header" :header="f.header">
      <template #body="{ data: c }">
        <span :class="{ over: c.refused }">{{ c.refused && f !== FIGURES[0] ? '' : f.shown(c) }}</span>
      </template>
    </Column>
  </DataTable>
</template>

<style scoped>
:deep(td) {
  vertical-align: middle;
}
:deep(td .p-button) {
  padding: 0;
  color: inherit;
}
:deep(.here) {
  background: var(--gate-soft);
}
.over {
  color: var(--stop);
}
</style>
