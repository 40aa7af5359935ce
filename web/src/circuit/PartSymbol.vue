<script setup lang="ts">
import { computed } from 'vue'
import { TANK } from '../units/unitFile'
import type { Part } from './layout'
import { isDriver, POSITION, positionNames, startOf } from './ports'
import { SYMBOLS } from './symbols'

const props = defineProps<{
  part: Part
  /** position of a directional valve or section */
  position?: string
}>()

const c = computed(() => props.part.component)
const valve = computed(() =>
  ['relief-valve', 'unloading-valve', 'reducing-valve', 'sequence-valve', 'counterbalance-valve'].includes(c.value.type),
)
const remote = computed(() => typeof c.value.pilot === 'string')

/** The boxes of a valve with positions, the one it starts in over its ports. */
const boxes = computed(() => {
  const positions: Record<string, unknown[][]> =
    c.value.type === 'section'
      ? { a: [[c.value.supply, c.value.portA], [c.value.portB, c.value.return]], neutral: [], b: [[c.value.supply, c.value.portB], [c.value.portA, c.value.return]] }
      : ((c.value.positions ?? {}) as Record<string, unknown[][]>)
  const names = positionNames(c.value)
  const start = startOf(c.value)
  const at = names.indexOf(start)
  return names.map((name, i) => ({
    name,
    x: (i - at) * POSITION,
    here: name === (props.position ?? start),
    ways: (positions[name] ?? []).map(([from, to]) => `M ${lead(String(from))} L ${lead(String(to))}`),
  }))
})

function lead(line: string): string {
  const l = props.part.leads[line] ?? { x: 0, top: line !== TANK }
  return `${l.x * 0.9} ${l.top ? -18 : 18}`
}
</script>

<template>
  <g>
    <template v-if="isDriver(c)">
      <circle v-if="c.type !== 'engine'" r="30" class="body" />
      <rect v-else x="-32" y="-26" width="64" height="52" class="body" />
      <text y="7" class="letter">{{ c.type === 'engine' ? 'E' : c.type === 'dc-motor' ? 'M=' : 'M' }}</text>
    </template>
    <template v-else-if="c.type === 'pump'">
      <circle r="30" class="body" /><path :d="SYMBOLS.pumpTriangle" class="solid" transform="translate(0 -4)" />
      <path v-if="c.compensator || c.loadSense || c.powerLimiter" :d="SYMBOLS.variable" class="line" />
    </template>
    <g v-else-if="valve" :transform="part.up ? 'scale(1 -1)' : undefined">
      <path v-if="!remote && c.type !== 'reducing-valve'" d="M 0 -30 H -32 V 0 H -20" class="pilot" />
      <path v-if="c.type === 'reducing-valve'" d="M 0 30 H -32 V 8 H -20" class="pilot" />
      <path v-if="remote" d="M -20 0 H -42" class="pilot" />
      <path v-if="c.drain" d="M 20 14 H 30 V 30 m -9 -6 v 6 h 18 v -6" class="pilot" />
      <template v-if="c.reverseCheck">
        <path d="M 0 -30 H -28 V 30 H 0" class="line" /><circle cx="-28" cy="2" r="5" class="body" /><path d="M -35 6 L -28 12 L -21 6" class="line" />
      </template>
      <rect x="-20" y="-21" width="40" height="42" class="body" />
      <path :d="c.type === 'reducing-valve' ? SYMBOLS.openArrow : SYMBOLS.shutArrow" class="line" />
      <path :d="SYMBOLS.spring" class="line" /><path :d="SYMBOLS.adjust" class="line" />
      <path d="M 0 -30 V -21 M 0 21 V 30" class="line" />
    </g>
    <g v-else-if="c.type === 'check-valve'" :transform="part.up ? 'scale(1 -1)' : undefined">
      <path d="M 0 -30 V -8 M 0 10 V 30" class="line" /><circle cy="2" r="8" class="body" /><path :d="SYMBOLS.seat" class="line" />
    </g>
    <template v-else-if="['throttle', 'orifice', 'flow-control', 'leak'].includes(c.type)">
      <path d="M 0 -30 V 30" :class="c.type === 'leak' ? 'pilot' : 'line'" />
      <path :d="SYMBOLS.throttleArcs" class="line" />
      <path v-if="c.type === 'throttle' || c.type === 'flow-control'" :d="SYMBOLS.throttleAdjust" class="line" />
      <rect v-if="c.type === 'flow-control'" x="-26" y="-26" width="52" height="52" class="hollow" />
    </template>
    <template v-else-if="c.type === 'filter'">
      <path d="M 0 -30 V 30" class="line" /><path :d="SYMBOLS.filter" class="body" /><path d="M -20 0 H 20" class="pilot" />
    </template>
    <template v-else-if="c.type === 'accumulator'">
      <rect x="-15" y="-30" width="30" height="60" rx="15" class="body" /><path d="M -15 0 H 15" class="line" />
      <path d="M 0 -6 l -6 -10 h 12 z" class="line" />
    </template>
    <template v-else-if="c.type === 'hydraulic-motor'">
      <path d="M 0 -30 V 30" class="line" /><circle r="25" class="body" />
      <path d="M 0 -12 l -8 -12 h 16 z M 0 12 l -8 12 h 16 z" class="solid" />
    </template>
    <template v-else-if="c.type === 'cylinder'">
      <rect x="-44" y="-15" width="74" height="30" class="body" /><path d="M 0 -15 V 15 M 6 -15 V 15" class="line" />
      <path d="M 6 -3 H 52 V 3 H 6" class="line" />
    </template>
    <template v-else-if="c.type === 'shuttle'">
      <rect x="-30" y="-15" width="60" height="30" class="body" /><circle r="8" class="line" />
      <path d="M -22 -9 L -12 0 L -22 9 M 22 -9 L 12 0 L 22 9" class="line" />
    </template>
    <template v-else>
      <g v-for="b in boxes" :key="b.name" :transform="`translate(${b.x} 0)`" :class="{ here: b.here }">
        <rect :x="-POSITION / 2" y="-19" :width="POSITION" height="38" class="body" />
        <path v-for="w in b.ways" :key="w" :d="w" class="line arrow" transform="scale(0.62 0.9)" />
        <path v-if="!b.ways.length" d="M -8 -18 v 8 m -4 0 h 8 M 8 -18 v 8 m -4 0 h 8 M -8 18 v -8 m -4 0 h 8 M 8 18 v -8 m -4 0 h 8" class="line" />
      </g>
    </template>
  </g>
</template>

<style scoped>
.here .body {
  fill: var(--gate-soft);
}
</style>
