<script setup lang="ts">
import { say } from '../words'
import { computed, defineAsyncComponent } from 'vue'
import type { Schema } from '../api/client'
import { useDisplay } from '../display/display'
import { fromBar } from '../display/quantity'

/** The gauge of the last minutes: its band, what it held while a crack is looked for, and where the relief stands itself. */
const props = defineProps<{
  points: { t: number; bar: number }[]
  low?: number
  high?: number
  crack?: Schema['Crack'] | null
  /** it has cracked: what was held is fallen from */
  cracked: boolean
  /** what a hand marked */
  marked?: number
}>()
const Chart = defineAsyncComponent(() => import('../display/Chart.vue'))
const display = useDisplay()
const SPAN_S = 120
/** Where the fall since it cracked is shown: the last part of the time. */
const FALL_S = 12

const end = computed(() => props.points[props.points.length - 1]?.t ?? 0)
const now = computed(() => props.points[props.points.length - 1]?.bar ?? 0)
const stands = computed(() =>
  props.crack?.standsBar !== undefined && props.crack.standsBar !== null && props.crack.lowBar != null && props.crack.highBar != null
    ? { at: props.crack.standsBar, low: props.crack.lowBar, high: props.crack.highBar }
    : undefined,
)

/** In the unit that is chosen, as it is shown. */
function at(bar: number): number {
  return fromBar(bar, display.pressure)
}

/** A gauge that stands fills no picture with its last decimal. */
const scale = computed(() => {
  const lines = [props.low, props.high, props.crack?.heldBar, stands.value?.at, props.marked]
  const values = props.points.map((p) => p.bar).concat(lines.filter((v): v is number => v !== undefined && v !== null))
  const low = Math.min(...values)
  const high = Math.max(...values, low + 2)
  const pad = (high - low) * 0.15
  return { min: at(Math.max(0, low - pad)), max: at(high + pad) }
})

function level(bar: number | undefined | null, color: string, type: 'solid' | number[]) {
  return bar === undefined || bar === null ? [] : [{ yAxis: at(bar), lineStyle: { color, type, width: 2 } }]
}

const areas = computed(() => {
  const { low, high, crack, cracked } = props
  const band =
    low !== undefined && high !== undefined ? [[{ yAxis: at(low), itemStyle: { color: 'var(--gate-soft)' } }, { yAxis: at(high) }]] : []
  const fell =
    crack && cracked && now.value < crack.heldBar
      ? [
          [
            { coord: [end.value - FALL_S, at(now.value)], itemStyle: { color: 'var(--stop-soft)' } },
            { coord: [end.value, at(crack.heldBar)] },
          ],
        ]
      : []
  return [...band, ...fell]
})

const option = computed(() => ({
  animation: false,
  textStyle: { fontFamily: 'inherit' },
  grid: { left: 78, right: 14, top: 8, bottom: 24 },
  xAxis: {
    type: 'value',
    min: end.value - SPAN_S,
    max: end.value,
    interval: SPAN_S / 4,
    axisLabel: { color: 'var(--quiet)', formatter: (t: number) => say('run.trace.ago', Math.round(t - end.value)) },
    axisLine: { lineStyle: { color: 'var(--rule)' } },
    splitLine: { lineStyle: { color: 'var(--rule)' } },
  },
  yAxis: {
    type: 'value',
    ...scale.value,
    splitNumber: 2,
    axisLabel: { color: 'var(--quiet)', showMinLabel: false, showMaxLabel: false, formatter: (v: number) => `${v} ${display.pressure}` },
    splitLine: { lineStyle: { color: 'var(--rule)' } },
  },
  series: [
    {
      type: 'line',
      symbol: 'none',
      silent: true,
      data: props.points.map((p) => [p.t, at(p.bar)]),
      lineStyle: { color: 'var(--water)', width: 2.5 },
      markArea: { silent: true, data: areas.value },
      markLine: {
        silent: true,
        symbol: 'none',
        label: { show: false },
        data: [
          ...level(props.crack?.heldBar, 'var(--ink)', 'solid'),
          ...level(stands.value?.at, 'var(--gold)', [9, 5]),
          ...level(props.marked, 'var(--ink)', [2, 5]),
        ],
      },
    },
  ],
}))
</script>

<template>
  <figure>
    <figcaption class="small quiet">
      {{ say('run.trace.last-s')
      }}<template v-if="low !== undefined && high !== undefined">{{
        say('run.trace.wanted-to', display.show(low), display.show(high))
      }}</template>
    </figcaption>
    <div class="picture"><Chart :option="option" :label="say('run.trace.last-seconds-of-the')" /></div>
    <ul v-if="crack || marked !== undefined" class="small key">
      <li v-if="crack" class="held">
        <b>{{ say(cracked ? 'run.trace.held' : 'run.trace.holds', display.show(crack.heldBar)) }}</b>
      </li>
      <li v-if="crack && crack.fallBar !== undefined && crack.fallBar !== null" class="fell">
        {{ say('run.trace.fell', display.show(crack.fallBar)) }}
      </li>
      <li v-if="stands" class="stands">
        <b>{{ say('run.trace.stands', display.show(stands.at)) }}</b>
        {{ say('run.trace.between', display.show(stands.low), display.show(stands.high)) }}
      </li>
      <li v-if="marked !== undefined" class="marked">{{ say('run.trace.marked', display.show(marked)) }}</li>
    </ul>
  </figure>
</template>

<style scoped>
figure {
  margin: 0;
}
.picture {
  height: 124px;
  background: var(--board);
  border: 1px solid var(--rule);
}
.key {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 18px;
  list-style: none;
  margin: 4px 0 0;
  padding: 0;
}
.key li {
  border-left: 0;
}
.key li.held::before,
.key li.stands::before,
.key li.marked::before {
  content: '';
  display: inline-block;
  width: 22px;
  margin-right: 6px;
  vertical-align: middle;
  border-top: 2px solid var(--ink);
}
.key li.stands::before {
  border-top: 2px dashed var(--gold);
}
.key li.marked::before {
  border-top: 2px dotted var(--ink);
}
</style>
