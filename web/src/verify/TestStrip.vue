<script setup lang="ts">
import { computed } from 'vue'
import type { Schema } from '../api/client'
import { say } from '../words'

/** One reading of a test on its scale: the band that is good, what is expected, and where it lies. */
const props = defineProps<{ reading: Schema['TestReading'] }>()
const WIDTH = 200

const scale = computed(() => {
  const r = props.reading
  const room = 0.5 * (r.high - r.low) || 1
  const from = Math.min(r.low, r.value) - room
  const to = Math.max(r.high, r.value) + room
  return (value: number) => (WIDTH * (value - from)) / (to - from)
})
const said = computed(() => {
  const r = props.reading
  return say('verify.strip', r.instrument, `${r.value} ${r.unit}`, `${r.low} – ${r.high} ${r.unit}`)
})
</script>

<template>
  <svg :viewBox="`0 0 ${WIDTH} 24`" height="24" role="img" :aria-label="said">
    <line x1="0" y1="12" :x2="WIDTH" y2="12" class="axis" />
    <rect :x="scale(reading.low)" y="6" :width="Math.max(1, scale(reading.high) - scale(reading.low))" height="12" class="band" />
    <line :x1="scale(reading.expected)" y1="3" :x2="scale(reading.expected)" y2="21" class="expected" />
    <circle v-if="reading.verdict === 'pass'" :cx="scale(reading.value)" cy="12" r="6" class="pass" />
    <path v-else :d="`M ${scale(reading.value) - 6} 6 l 12 12 m 0 -12 l -12 12`" :class="reading.verdict === 'fail' ? 'fail' : 'open'" />
  </svg>
</template>

<style scoped>
svg {
  display: block;
  width: 200px;
}
.axis {
  stroke: var(--rule);
}
.band {
  fill: var(--gate);
  opacity: 0.22;
}
.expected {
  stroke: var(--ink);
  stroke-dasharray: 3 2;
}
.pass {
  fill: var(--gate);
}
.fail,
.open {
  fill: none;
  stroke: var(--stop);
  stroke-width: 3;
}
.open {
  stroke: var(--gold);
}
</style>
