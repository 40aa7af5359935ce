<script setup lang="ts">
import { computed } from 'vue'
import Plot, { type Mark } from '../display/Plot.vue'
import { month } from '../display/time'
import { say, type Word } from '../words'
import type { Dot, Trend } from './history'

/** Years along, a value upward: left is a full square, found a hollow circle, with what happened between them drawn. */
const props = defineProps<{
  trend: Trend
  /** with its unit */
  axis: string
  title: string
  /** from the file's unit into what is shown */
  shown: (value: number) => number
  /** a line that nothing should pass, and what it is */
  limit?: number
  limitWord?: Word
  /** what the full squares are, where they are no settings as left */
  measured?: Word
  /** what the band is, where it is no tolerance */
  bandWord?: Word
}>()

const drawn = (dots: Dot[]) => dots.map(([day, value]) => [day, props.shown(value)])

function line(dots: Dot[], color: string) {
  return { type: 'line', data: drawn(dots), symbol: 'none', silent: true, lineStyle: { color, width: 2 }, z: 2 }
}

function dotted(dots: Dot[], symbol: string) {
  return {
    type: 'line',
    data: drawn(dots),
    symbol,
    symbolSize: 11,
    silent: true,
    lineStyle: { width: 0 },
    itemStyle: { color: 'var(--gate)', borderWidth: 2 },
    z: 4,
  }
}

const band = computed(() => {
  const [low, high] = props.trend.band
  if (low === undefined || high === undefined) return []
  return [
    {
      type: 'line',
      data: [],
      markArea: {
        silent: true,
        itemStyle: { color: 'var(--water)', opacity: 0.16 },
        data: [[{ yAxis: props.shown(low) }, { yAxis: props.shown(high) }]],
      },
    },
  ]
})
const limit = computed(() =>
  props.limit === undefined
    ? []
    : [
        {
          type: 'line',
          data: [],
          markLine: {
            silent: true,
            symbol: 'none',
            label: { show: false },
            lineStyle: { color: 'var(--stop)', width: 2, type: [8, 5] },
            data: [{ yAxis: props.shown(props.limit) }],
          },
        },
      ],
)

/** All that is drawn, with a little room, so that neither band nor limit lies outside. */
const range = computed(() => {
  const values = [...props.trend.left, ...props.trend.found, ...props.trend.bounds.flat()].map(([, v]) => v)
  const all = [...values, ...props.trend.band, ...(props.limit === undefined ? [] : [props.limit])].map((v) => props.shown(v))
  const low = Math.min(...all)
  const high = Math.max(...all)
  const room = Math.max(1e-3, high - low) * 0.12
  const digits = high - low > 5 ? 0 : 2
  const round = (v: number, to: (x: number) => number) => to(v * 10 ** digits) / 10 ** digits
  return { min: round(low - room, Math.floor), max: round(high + room, Math.ceil) }
})

/** The first, the last, and some of those between: more would lie on each other. */
const MOST_DAYS = 4
const days = computed(() => {
  const all = [...new Set([...props.trend.left, ...props.trend.found].map(([on]) => new Date(on).getTime()))].sort((a, b) => a - b)
  const each = Math.max(1, (all.length - 1) / (MOST_DAYS - 1))
  return all.filter((_, i) => i === all.length - 1 || Math.abs(i / each - Math.round(i / each)) < 0.5 / each)
})

const option = computed(() => ({
  animation: false,
  textStyle: { fontFamily: 'inherit' },
  grid: { left: 62, right: 34, top: 10, bottom: 26 },
  xAxis: {
    type: 'time',
    axisTick: { customValues: days.value },
    axisLabel: {
      color: 'var(--quiet)',
      fontSize: 13,
      customValues: days.value,
      formatter: (at: number) => month(at),
      hideOverlap: true,
      alignMinLabel: 'left',
      alignMaxLabel: 'right',
    },
    axisLine: { lineStyle: { color: 'var(--rule)' } },
  },
  yAxis: {
    type: 'value',
    ...range.value,
    name: props.axis,
    nameLocation: 'middle',
    nameGap: 44,
    nameTextStyle: { color: 'var(--quiet)', fontSize: 13 },
    axisLabel: { color: 'var(--quiet)', fontSize: 13, showMinLabel: false, showMaxLabel: false, formatter: (v: number) => String(v) },
    splitLine: { lineStyle: { color: 'var(--rule)' } },
  },
  series: [
    ...band.value,
    ...limit.value,
    ...props.trend.spans.map((s) => line(s, 'var(--ink)')),
    ...props.trend.bounds.map((b) => line(b, 'var(--gate)')),
    dotted(props.trend.left, 'rect'),
    dotted(props.trend.found, 'emptyCircle'),
  ],
}))

const marks = computed(() => {
  const all: (Mark & { there: boolean })[] = [
    { mark: 'left', word: props.measured ?? 'history.as-left', there: props.trend.left.length > 0 },
    { mark: 'found', word: 'history.as-found', there: props.trend.found.length > 0 },
    { mark: 'band', word: props.bandWord ?? 'history.tolerance', there: props.trend.band.length > 0 },
    { mark: 'limit', word: props.limitWord ?? 'history.worn-line', there: props.limit !== undefined },
  ]
  return all.filter((m) => m.there)
})
</script>

<template>
  <Plot :option="option" :label="say('history.picture', title)" :marks="marks" />
</template>
