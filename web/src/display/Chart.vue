<script setup lang="ts">
import { LineChart } from 'echarts/charts'
import { GridComponent, MarkAreaComponent, MarkLineComponent } from 'echarts/components'
import { use, type EChartsCoreOption } from 'echarts/core'
import { SVGRenderer } from 'echarts/renderers'
import VChart from 'vue-echarts'

/** A chart drawn as vectors; its colours are those of the page, so it follows day, night and paper by itself. */
use([LineChart, GridComponent, MarkAreaComponent, MarkLineComponent, SVGRenderer])
defineProps<{ option: EChartsCoreOption; label: string }>()
</script>

<template>
  <VChart class="chart" :option="option" :update-options="{ notMerge: false }" autoresize role="img" :aria-label="label" />
</template>

<style scoped>
.chart {
  width: 100%;
  height: 100%;
}
</style>
