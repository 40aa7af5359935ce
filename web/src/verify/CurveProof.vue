<script setup lang="ts">
import { computed } from 'vue'
import { useDisplay } from '../display/display'
import Verdict from '../display/Verdict.vue'
import { say } from '../words'
import CurveChart from './CurveChart.vue'
import CurveTable from './CurveTable.vue'
import { parameterOf, titleOf, type Curve } from './curves'

/** A curve as proof: what it tells in words and figures, the picture, and the points beside it. */
const props = defineProps<{ curve: Curve; run: number }>()
const display = useDisplay()
const parameters = computed(() => Object.entries(props.curve.fit?.parameters ?? {}).map(([key, p]) => ({ key, ...p })))

function shown(value: number, unit: string): string {
  return unit === 'bar' ? display.show(value) : unit ? display.amount(Number(value.toPrecision(3)), unit) : value.toFixed(3)
}
</script>

<template>
  <section class="proof">
    <h3>{{ titleOf(curve) }}</h3>
    <p><Verdict v-if="curve.verdict" :grade="curve.verdict" /> {{ curve.said.join(' ') }}</p>
    <template v-if="curve.points.length">
      <div class="beside">
        <CurveChart :curve="curve" />
        <a class="no-print" :href="`/api/runs/${run}/curves/${curve.step}.svg?${display.query}`" download>{{ say('verify.svg') }}</a>
        <table v-if="parameters.length" class="found small">
          <thead>
            <tr>
              <th></th>
              <th>{{ say('verify.found') }}</th>
              <th>{{ say('verify.bounds') }}</th>
              <th>{{ say('verify.new') }}</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="p in parameters" :key="p.key">
              <th scope="row">{{ parameterOf(p.key) }}</th>
              <td>
                <b>{{ shown(p.value, p.unit) }}</b>
              </td>
              <td>{{ shown(p.low, p.unit) }} – {{ shown(p.high, p.unit) }}</td>
              <td>{{ p.expected === undefined || p.expected === null ? '' : shown(p.expected, p.unit) }}</td>
            </tr>
          </tbody>
        </table>
      </div>
      <CurveTable :curve="curve" />
    </template>
  </section>
</template>

<style scoped>
.proof {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 8px;
  break-inside: avoid;
}
.beside {
  display: flex;
  flex-wrap: wrap;
  gap: 14px;
  align-items: flex-start;
}
.beside > figure {
  flex: 1 1 340px;
  min-width: 0;
}
.found {
  border-collapse: collapse;
}
.found th,
.found td {
  text-align: left;
  padding: 4px 8px;
  border-bottom: 1px solid var(--rule);
}
</style>
