<script setup lang="ts">
import Column from 'primevue/column'
import DataTable from 'primevue/datatable'
import { computed } from 'vue'
import { day } from '../display/time'
import Verdict from '../display/Verdict.vue'
import TrendChart from '../history/TrendChart.vue'
import { say } from '../words'
import { over, type Upkeep } from './upkeep'

/** Samples over the years, drawn, and in figures with what they tell. */
const props = defineProps<{ upkeep: Upkeep }>()
const oil = computed(() => props.upkeep.oil)
const newestFirst = computed(() => [...oil.value.samples].reverse())
const charts = computed(() => {
  const { samples, viscosityLow, viscosityHigh, mostWaterPpm, mostClassesAbove } = oil.value
  return [
    { title: say('upkeep.water'), trend: over(samples, (s) => s.waterPpm), limit: mostWaterPpm },
    { title: say('upkeep.viscosity'), trend: over(samples, (s) => s.viscosity40, [viscosityLow, viscosityHigh]) },
    { title: say('upkeep.dirt'), trend: over(samples, (s) => s.classesAbove), limit: mostClassesAbove },
    { title: say('upkeep.acid'), trend: over(samples, (s) => s.acid) },
  ].filter((c) => c.trend.left.length)
})
const same = (value: number) => value
</script>

<template>
  <p class="quiet small">{{ oil.target ? say('upkeep.target', oil.target) : say('upkeep.no-target') }}</p>
  <p v-if="!oil.samples.length">{{ say('upkeep.no-sample') }}</p>
  <template v-else>
    <div class="charts">
      <TrendChart
        v-for="c in charts"
        :key="c.title"
        :trend="c.trend"
        :axis="c.title"
        :title="c.title"
        :shown="same"
        :limit="c.limit"
        :limit-word="'upkeep.most'"
        :band-word="'upkeep.may-be'"
        :measured="'upkeep.measured'"
      />
    </div>
    <DataTable size="small" :value="newestFirst" data-key="id" scrollable>
      <Column :header="say('upkeep.day')">
        <template #body="{ data: s }"
          ><b class="nowrap">{{ day(s.on) }}</b></template
        >
      </Column>
      <Column field="cleanliness" :header="say('upkeep.cleanliness')" />
      <Column field="waterPpm" :header="say('upkeep.water')" />
      <Column field="viscosity40" :header="say('upkeep.viscosity')" />
      <Column field="acid" :header="say('upkeep.acid')" />
      <Column :header="say('upkeep.verdict')">
        <template #body="{ data: s }"><Verdict :grade="s.verdict" /></template>
      </Column>
      <Column :header="say('upkeep.tells')" body-class="small tells">
        <template #body="{ data: s }">{{ s.said.join(' ') }}</template>
      </Column>
    </DataTable>
  </template>
</template>

<style scoped>
.charts {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(100%, 420px), 1fr));
  gap: 12px;
}
:deep(.tells) {
  min-width: 300px;
}
.nowrap {
  white-space: nowrap;
}
:deep(td) {
  vertical-align: top;
}
</style>
