<script setup lang="ts">
import { computed } from 'vue'
import type { Lever } from '../../parts/levers'
import { TANK, type UnitComponent } from '../../units/unitFile'
import type { Part } from '../drawing'
import { POSITION } from '../ports'

const props = defineProps<{ component: UnitComponent; lever: Lever; leads: Part['leads']; position?: string }>()

/** A box for each position, the one at rest over the ports. */
const boxes = computed(() => {
  const names = Object.keys(props.lever.positions)
  const at = names.indexOf(props.lever.rest)
  return names.map((name, i) => ({
    name,
    x: (i - at) * POSITION,
    here: name === (props.position ?? props.lever.rest),
    ways: (props.lever.positions[name] ?? []).map(([from, to]) => `M ${lead(from)} L ${lead(to)}`),
  }))
})

function lead(line: string): string {
  const l = props.leads[line] ?? { x: 0, top: line !== TANK }
  return `${l.x * 0.9} ${l.top ? -18 : 18}`
}
</script>

<template>
  <g v-for="b in boxes" :key="b.name" :transform="`translate(${b.x} 0)`" :class="{ here: b.here }">
    <rect :x="-POSITION / 2" y="-19" :width="POSITION" height="38" class="body" />
    <path v-for="w in b.ways" :key="w" :d="w" class="line arrow" transform="scale(0.62 0.9)" />
    <path
      v-if="!b.ways.length"
      d="M -8 -18 v 8 m -4 0 h 8 M 8 -18 v 8 m -4 0 h 8 M -8 18 v -8 m -4 0 h 8 M 8 18 v -8 m -4 0 h 8"
      class="line"
    />
  </g>
</template>

<style scoped>
.here .body {
  fill: var(--gate-soft);
}
</style>
