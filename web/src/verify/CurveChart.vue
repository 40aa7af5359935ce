<script setup lang="ts">
import { computed } from 'vue'
import { useDisplay } from '../display/display'
import Plot, { type Mark } from '../display/Plot.vue'
import { outOf, unitBeside } from '../display/units'
import { say } from '../words'
import { place, titleOf, type Curve } from './curves'

/** What was read, over what is expected of the part and what was fitted; shapes tell them apart, not colours alone. */
const props = defineProps<{ curve: Curve }>()
const display = useDisplay()

const flowUnit = computed(() => unitBeside('L/min', display.pressure))
const flow = (lpm: number) => outOf('L/min', lpm, flowUnit.value)
const pressure = (bar: number) => outOf('bar', bar, display.pressure)

function drawn([x, y]: [number, number]): [number, number] {
  return props.curve.kind === 'pump' ? [pressure(x), flow(y)] : [flow(x), pressure(y)]
}

function line(pairs: number[][]): [number, number][] {
  return pairs.map(([bar, lpm]) => drawn(place(props.curve, bar ?? 0, lpm ?? 0)))
}

const expected = computed(() => {
  if (props.curve.kind === 'margin') {
    // Held against one value each: where the margin must stand at that flow.
    return (props.curve.fit?.points ?? [])
      .filter((p) => p.region === 'open')
      .map((p) => drawn([p.lpm, p.expected]))
      .sort((a, b) => a[0] - b[0])
  }
  return line(props.curve.fit?.lines.expected ?? props.curve.expected)
})
const fitted = computed(() => line(props.curve.fit?.lines.fitted ?? []))

function points(of: (p: Curve['points'][number]) => boolean) {
  return props.curve.points.filter(of).map((p) => drawn(place(props.curve, p.bar, p.lpm, p.signalBar)))
}

function axis(name: string, unit: string) {
  return {
    type: 'value',
    name: `${name}, ${unit}`,
    nameLocation: 'middle',
    nameTextStyle: { color: 'var(--quiet)', fontSize: 13 },
    axisLabel: { color: 'var(--quiet)', fontSize: 13 },
    axisLine: { show: true, lineStyle: { color: 'var(--rule)' } },
    splitLine: { lineStyle: { color: 'var(--rule)' } },
    scale: props.curve.kind !== 'pump',
  }
}

function dots(data: [number, number][], symbol: string, color: string, size = 11) {
  return { type: 'line', data, symbol, symbolSize: size, silent: true, lineStyle: { width: 0 }, itemStyle: { color }, z: 4 }
}

const option = computed(() => {
  const flows = axis(say('verify.column.flow'), flowUnit.value)
  const pressures = axis(
    props.curve.kind === 'margin' ? `${props.curve.gauge} − ${props.curve.signal}` : props.curve.gauge,
    display.pressure,
  )
  const [x, y] = props.curve.kind === 'pump' ? [pressures, flows] : [flows, pressures]
  return {
    animation: false,
    textStyle: { fontFamily: 'inherit' },
    grid: { left: 64, right: 18, top: 12, bottom: 44 },
    xAxis: { ...x, nameGap: 28 },
    yAxis: { ...y, nameGap: 44 },
    series: [
      {
        type: 'line',
        data: expected.value,
        symbol: 'none',
        silent: true,
        lineStyle: { color: 'var(--water)', width: 2.5, type: [8, 5] },
      },
      { type: 'line', data: fitted.value, symbol: 'none', silent: true, lineStyle: { color: 'var(--ink)', width: 2 } },
      dots(
        points((p) => !p.leftOut && !p.back),
        'circle',
        'var(--gate)',
      ),
      dots(
        points((p) => !p.leftOut && p.back),
        'triangle',
        'var(--gate)',
      ),
      dots(
        points((p) => !!p.leftOut),
        'path://M0,1 L1,0 L5,4 L9,0 L10,1 L6,5 L10,9 L9,10 L5,6 L1,10 L0,9 L4,5 Z',
        'var(--stop)',
      ),
    ],
  }
})
const title = computed(() => titleOf(props.curve))
const marks = computed(() => {
  const { points } = props.curve
  const all: (Mark & { there: boolean })[] = [
    { mark: 'expected', word: 'verify.key.expected', there: expected.value.length > 0 },
    { mark: 'fitted', word: 'verify.key.fitted', there: fitted.value.length > 0 },
    { mark: 'point', word: 'verify.key.point', there: points.some((p) => !p.back && !p.leftOut) },
    { mark: 'back', word: 'verify.key.back', there: points.some((p) => p.back && !p.leftOut) },
    { mark: 'out', word: 'verify.key.out', there: points.some((p) => p.leftOut) },
  ]
  return all.filter((m) => m.there)
})
</script>

<template>
  <Plot :option="option" :label="say('verify.picture', title)" :marks="marks" />
</template>
