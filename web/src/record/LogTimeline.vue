<script setup lang="ts">
import { computed } from 'vue'
import type { Schema } from '../api/client'
import { clock } from '../display/time'
import { say } from '../words'

/** The log over time, a lane for each kind of thing: where it went quickly, where it was begun again, where it stood. */
const props = defineProps<{ log: Schema['LogView'][] }>()
const WIDTH = 860
const LEFT = 150
const LANE = 26
const LANES: [string, string[]][] = [
  [say('record.timeline.gates'), ['began', 'hold-opened', 'signed', 'amended', 'paused', 'went-on']],
  [say('record.timeline.done'), ['step-done', 'again', 'reopened']],
  [say('record.timeline.readings'), ['reading', 'cracked', 'point', 'left-out', 'struck']],
  [say('record.timeline.turns'), ['turned', 'replaced']],
  [say('record.timeline.hands'), ['handled', 'stopped']],
  [say('record.timeline.said'), ['deviation', 'noted', 'attached', 'taken-off']],
]
/** What somebody who reads the record stops at. */
const MARKED = ['stopped', 'deviation', 'again', 'reopened', 'struck', 'left-out', 'amended']

const times = computed(() => props.log.map((l) => Date.parse(l.at)))
const from = computed(() => Math.min(...times.value))
const to = computed(() => Math.max(...times.value, from.value + 60_000))
const HEIGHT = LANES.length * LANE + 26

function x(time: number) {
  return LEFT + ((WIDTH - LEFT - 16) * (time - from.value)) / (to.value - from.value)
}
const marks = computed(() =>
  props.log.map((l) => ({
    key: l.seq,
    x: x(Date.parse(l.at)),
    y: 14 + LANE * LANES.findIndex(([, kinds]) => kinds.includes(l.kind)),
    marked: MARKED.includes(l.kind) || l.slip,
    said: `${clock(l.at)} ${l.text}`,
  })),
)
const ticks = computed(() => [0, 0.25, 0.5, 0.75, 1].map((share) => from.value + share * (to.value - from.value)))
</script>

<template>
  <figure v-if="log.length">
    <figcaption>{{ say('record.timeline.title') }}</figcaption>
    <svg
      :viewBox="`0 0 ${WIDTH} ${HEIGHT}`"
      role="img"
      :aria-label="say('record.timeline.picture', clock(new Date(from).toISOString()), clock(new Date(to).toISOString()))"
    >
      <g v-for="([lane], i) in LANES" :key="lane">
        <text :x="LEFT - 10" :y="19 + i * LANE" text-anchor="end">{{ lane }}</text>
        <line :x1="LEFT" :x2="WIDTH - 16" :y1="14 + i * LANE" :y2="14 + i * LANE" />
      </g>
      <text v-for="(t, i) in ticks" :key="i" :x="x(t)" :y="HEIGHT - 6" :text-anchor="i === 0 ? 'start' : i === 4 ? 'end' : 'middle'">
        {{ clock(new Date(t).toISOString()) }}
      </text>
      <template v-for="m in marks" :key="m.key">
        <path v-if="m.marked" :d="`M ${m.x - 6} ${m.y + 6} l 6 -12 l 6 12 z`" class="marked">
          <title>{{ m.said }}</title>
        </path>
        <circle v-else :cx="m.x" :cy="m.y" r="4">
          <title>{{ m.said }}</title>
        </circle>
      </template>
    </svg>
  </figure>
</template>

<style scoped>
figure {
  margin: 0;
  display: grid;
  gap: 4px;
}
figcaption {
  font-weight: 700;
}
svg {
  width: 100%;
}
text {
  font-size: 13px;
  fill: var(--quiet);
}
line {
  stroke: var(--rule);
}
circle {
  fill: var(--gate);
  fill-opacity: 0.6;
}
.marked {
  fill: var(--stop);
}
</style>
