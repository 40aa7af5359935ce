<script setup lang="ts">
import { say } from '../words'
import { computed } from 'vue'
import { useDisplay } from '../display/display'

const props = defineProps<{
  points: { t: number; bar: number }[]
  low?: number
  high?: number
  crack?: number
}>()
const display = useDisplay()
const W = 500
const H = 92

const scale = computed(() => {
  const values = props.points.map((p) => p.bar).concat(props.low ?? [], props.high ?? [])
  const low = Math.min(...values)
  const high = Math.max(...values, low + 2)
  const pad = (high - low) * 0.15
  return { low: low - pad, high: high + pad, end: props.points[props.points.length - 1]?.t ?? 0 }
})

function y(bar: number) {
  return H - (H * (bar - scale.value.low)) / (scale.value.high - scale.value.low)
}

const path = computed(() =>
  props.points.map((p, i) => `${i ? 'L' : 'M'}${(W - ((scale.value.end - p.t) / 30) * W).toFixed(1)} ${y(p.bar).toFixed(1)}`).join(' '),
)
</script>

<template>
  <figure>
    <figcaption class="small quiet">
      {{ say('run.trace.last-s')
      }}<template v-if="low !== undefined && high !== undefined">{{
        say('run.trace.wanted-to', display.show(low), display.show(high))
      }}</template>
    </figcaption>
    <svg :viewBox="`0 0 ${W} ${H}`" preserveAspectRatio="none" role="img" :aria-label="say('run.trace.last-seconds-of-the')">
      <rect
        v-if="low !== undefined && high !== undefined"
        x="0"
        :width="W"
        :y="y(high)"
        :height="Math.max(1, y(low) - y(high))"
        class="band"
      />
      <path :d="path" class="line" />
      <line v-if="crack !== undefined" x1="0" :x2="W" :y1="y(crack)" :y2="y(crack)" class="crack" />
    </svg>
  </figure>
</template>

<style scoped>
figure {
  margin: 0;
}
svg {
  width: 100%;
  height: 84px;
  display: block;
  background: var(--board);
  border: 1px solid var(--rule);
}
.band {
  fill: var(--gate-soft);
}
.line {
  fill: none;
  stroke: var(--water);
  stroke-width: 2.5;
  vector-effect: non-scaling-stroke;
}
.crack {
  stroke: var(--gold);
  stroke-width: 2;
  stroke-dasharray: 6 5;
  vector-effect: non-scaling-stroke;
}
</style>
