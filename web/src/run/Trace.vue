<script setup lang="ts">
import { say } from '../words'
import { computed } from 'vue'
import type { Schema } from '../api/client'
import { useDisplay } from '../display/display'

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
const display = useDisplay()
const W = 500
const H = 110
const SPAN_S = 120

const scale = computed(() => {
  const lines = [props.low, props.high, props.crack?.heldBar, props.crack?.standsBar, props.marked]
  const values = props.points.map((p) => p.bar).concat(lines.filter((v): v is number => v !== undefined && v !== null))
  const low = Math.min(...values)
  const high = Math.max(...values, low + 2)
  const pad = (high - low) * 0.15
  return { low: low - pad, high: high + pad, end: props.points[props.points.length - 1]?.t ?? 0 }
})

function y(bar: number) {
  return H - (H * (bar - scale.value.low)) / (scale.value.high - scale.value.low)
}

function x(t: number) {
  return W - ((scale.value.end - t) / SPAN_S) * W
}

const path = computed(() => props.points.map((p, i) => `${i ? 'L' : 'M'}${x(p.t).toFixed(1)} ${y(p.bar).toFixed(1)}`).join(' '))
const now = computed(() => props.points[props.points.length - 1]?.bar ?? 0)
const stands = computed(() =>
  props.crack?.standsBar !== undefined && props.crack.standsBar !== null && props.crack.lowBar != null && props.crack.highBar != null
    ? { at: props.crack.standsBar, low: props.crack.lowBar, high: props.crack.highBar }
    : undefined,
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
      <rect
        v-if="crack && cracked && now < crack.heldBar"
        :x="W * 0.9"
        :width="W * 0.1"
        :y="y(crack.heldBar)"
        :height="Math.max(1, y(now) - y(crack.heldBar))"
        class="fall"
      />
      <path :d="path" class="line" />
      <line v-if="crack" x1="0" :x2="W" :y1="y(crack.heldBar)" :y2="y(crack.heldBar)" class="held" />
      <line v-if="stands" x1="0" :x2="W" :y1="y(stands.at)" :y2="y(stands.at)" class="stands" />
      <line v-if="marked !== undefined" x1="0" :x2="W" :y1="y(marked)" :y2="y(marked)" class="marked" />
    </svg>
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
svg {
  width: 100%;
  height: 100px;
  display: block;
  background: var(--board);
  border: 1px solid var(--rule);
}
.band {
  fill: var(--gate-soft);
}
.fall {
  fill: var(--stop-soft);
}
.line {
  fill: none;
  stroke: var(--water);
  stroke-width: 2.5;
  vector-effect: non-scaling-stroke;
}
line {
  stroke-width: 2;
  vector-effect: non-scaling-stroke;
}
line.held {
  stroke: var(--ink);
}
line.stands {
  stroke: var(--gold);
  stroke-dasharray: 9 5;
}
line.marked {
  stroke: var(--ink);
  stroke-dasharray: 2 5;
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
