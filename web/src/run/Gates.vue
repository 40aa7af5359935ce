<script setup lang="ts">
import { say } from '../words'
import { clock } from '../display/time'
import type { Schema } from '../api/client'

defineProps<{ phases: Schema['PhaseProgress'][] }>()

function opened(p: Schema['PhaseProgress']): string {
  if (p.hold === 'open') return say('run.gates.opened-by', p.openedAt ? clock(p.openedAt) : '', p.openedBy ?? '')
  return p.hold === 'waiting' ? say('run.gates.waiting-to-be-opened') : say('run.gates.shut')
}
</script>

<template>
  <ol class="gates" :aria-label="say('run.gates.phases')">
    <li v-for="(p, i) in phases" :key="p.id" :class="p.state">
      <span class="title"
        >{{ p.title }}<span v-if="p.state === 'current'" class="count">{{ say('run.gates.of', p.done, p.steps) }}</span></span
      >
      <span class="canal"><span class="water" :style="{ width: `${(100 * p.done) / p.steps}%` }"></span></span>
      <svg
        v-if="i < phases.length - 1"
        :class="p.hold"
        viewBox="0 0 24 34"
        width="24"
        height="34"
        role="img"
        :aria-label="say('run.gates.gate-after', p.title, opened(p))"
      >
        <title>{{ opened(p) }}</title>
        <path v-if="p.hold === 'open'" d="M 6 2 V 11 M 18 2 V 11 M 6 23 V 32 M 18 23 V 32" />
        <path v-else d="M 6 3 L 17 17 L 6 31" />
      </svg>
    </li>
  </ol>
</template>

<style scoped>
.gates {
  display: flex;
  list-style: none;
  margin: 0 0 8px;
  padding: 0;
}
li {
  flex: 1;
  display: grid;
  grid-template-columns: 1fr 24px;
  align-items: center;
  column-gap: 4px;
}
li:last-child {
  grid-template-columns: 1fr;
}
.title {
  grid-row: 1;
  grid-column: 1;
  font-size: 14px;
  color: var(--quiet);
  white-space: nowrap;
}
.done .title {
  color: var(--gate);
  font-weight: 600;
}
.current .title {
  color: var(--gold-text);
  font-weight: 700;
}
.count {
  margin-left: 6px;
  font-weight: 400;
}
.canal {
  grid-row: 2;
  grid-column: 1;
  height: 9px;
  border-radius: 5px;
  background: var(--rule);
  overflow: hidden;
}
.water {
  display: block;
  height: 100%;
  background: var(--water);
}
svg {
  grid-row: 1 / span 2;
  grid-column: 2;
}
path {
  fill: none;
  stroke: var(--quiet);
  stroke-width: 4;
  stroke-linecap: round;
  stroke-linejoin: round;
}
@media (max-width: 800px) {
  li {
    flex: 1 1 20px;
  }
  li.current {
    flex: 0 0 auto;
  }
  li:not(.current) .title {
    display: none;
  }
}
.open path {
  stroke: var(--gate);
}
.waiting path {
  stroke: var(--gold);
  stroke-width: 5;
}
</style>
