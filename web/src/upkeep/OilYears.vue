<script setup lang="ts">
import Column from 'primevue/column'
import DataTable from 'primevue/datatable'
import { computed } from 'vue'
import { day } from '../display/time'
import Verdict from '../display/Verdict.vue'
import TrendChart from '../history/TrendChart.vue'
import { say } from '../words'
import { aboveTarget, over, type Upkeep } from './upkeep'

/** Samples over the years, drawn, and in figures with what they tell. */
const props = defineProps<{ upkeep: Upkeep }>()
const oil = computed(() => props.upkeep.oil)
const newestFirst = computed(() => [...oil.value.samples].reverse())
const water = computed(() => over(oil.value.samples, (s) => s.waterPpm))
const viscosity = computed(() => over(oil.value.samples, (s) => s.viscosity40, [oil.value.viscosityLow, oil.value.viscosityHigh]))
const dirt = computed(() => over(oil.value.samples, (s) => aboveTarget(s.cleanliness, oil.value.target)))
const acid = computed(() => over(oil.value.samples, (s) => s.acid))
/** One class more may be the bottle it was drawn into. */
const BOTTLE = 1
const same = (value: number) => value
</script>

<template>
  <p class="quiet small">{{ oil.target ? say('upkeep.target', oil.target) : say('upkeep.no-target') }}</p>
  <p v-if="!oil.samples.length">{{ say('upkeep.no-sample') }}</p>
  <template v-else>
    <div class="charts">
      <TrendChart
        v-if="water.left.length"
        :trend="water"
        :axis="say('upkeep.water')"
        :title="say('upkeep.water')"
        :shown="same"
        :limit="oil.mostWaterPpm"
        :limit-word="'upkeep.most'"
        :measured="'upkeep.measured'"
      />
      <TrendChart
        v-if="viscosity.left.length"
        :trend="viscosity"
        :axis="say('upkeep.viscosity')"
        :title="say('upkeep.viscosity')"
        :shown="same"
        :band-word="'upkeep.may-be'"
        :measured="'upkeep.measured'"
      />
      <TrendChart
        v-if="dirt.left.length"
        :trend="dirt"
        :axis="say('upkeep.dirt')"
        :title="say('upkeep.dirt')"
        :shown="same"
        :limit="BOTTLE"
        :limit-word="'upkeep.most'"
        :measured="'upkeep.measured'"
      />
      <TrendChart
        v-if="acid.left.length"
        :trend="acid"
        :axis="say('upkeep.acid')"
        :title="say('upkeep.acid')"
        :shown="same"
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
