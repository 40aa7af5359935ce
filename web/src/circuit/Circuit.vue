<script setup lang="ts">
import { computed } from 'vue'
import type { Schema } from '../api/client'
import { useDisplay } from '../display/display'
import type { UnitComponent, UnitFile } from '../units/unitFile'
import { layout } from './layout'
import { SYMBOLS } from './symbols'

const props = defineProps<{
  unit: UnitFile
  steady?: Schema['SteadyView']
  /** part or setting to point out */
  current?: string
}>()

defineOptions({ inheritAttrs: false })
const display = useDisplay()
const drawing = computed(() => layout(props.unit))
const highest = computed(() => Math.max(100, ...props.unit.lines.map((l) => l.ratingBar)))

function bar(line: string): number | undefined {
  return props.steady?.lines[line]?.pressureBar
}

/** One pressure, one thickness: from a hair near tank to a bar at the rating. */
function thickness(line: string): number {
  return 2 + 6 * Math.min(1, (bar(line) ?? 0) / highest.value)
}

function under(line: string): boolean {
  return (bar(line) ?? 0) > 5
}

function figure(id: string, key: string): number | undefined {
  const value = props.steady?.components[id]?.[key]
  return typeof value === 'number' ? value : undefined
}

function note(c: UnitComponent): string {
  if (c.type === 'relief-valve') {
    const flow = figure(c.id, 'flowLpm') ?? 0
    const setting = props.unit.targets?.find((t) => t.setting === c.id)?.pressureBar ?? c.settingBar ?? 0
    return `${display.show(setting)}${flow > 0.05 ? `, passes ${flow.toFixed(1)} L/min` : ''}`
  }
  const open = figure(c.id, 'open')
  return open === undefined ? '' : `${Math.round(open * 100)} % open`
}

/** Parts that this drawing has no place for yet are named, not dropped. */
const undrawn = computed(() => {
  const d = drawing.value
  const drawn = new Set([...d.pumps, ...d.motors, ...d.branches].map((p) => p.component.id))
  return props.unit.components.filter((c) => !drawn.has(c.id)).map((c) => `${c.id} ${c.type.replaceAll('-', ' ')}`)
})

function isCurrent(id: string): boolean {
  return props.current === id || props.current?.split('.')[0] === id
}
</script>

<template>
  <svg class="circuit" v-bind="$attrs" :viewBox="`60 50 ${drawing.width - 60} ${drawing.height - 50}`" role="img" aria-label="Circuit">
    <g v-for="b in drawing.buses" :key="b.line" :class="['wire', { under: under(b.line) }]" :style="{ strokeWidth: thickness(b.line) }">
      <path :d="`M ${b.from} 355 V ${b.y} H ${b.to}`" />
    </g>
    <g v-for="b in drawing.branches" :key="'w' + b.component.id" :class="['wire', { under: under(b.line) }]" :style="{ strokeWidth: thickness(b.line) }">
      <path :d="`M ${b.x} 150 V 246`" />
    </g>
    <g v-for="b in drawing.branches.filter((x) => x.toTank)" :key="'t' + b.component.id" class="wire">
      <path :d="`M ${b.x} 294 V 345`" /><path :d="SYMBOLS.tank" :transform="`translate(${b.x} 345)`" />
    </g>

    <g v-for="g in drawing.gauges" :key="g.id" :transform="`translate(${g.x} ${g.y})`">
      <path d="M 0 18 V 70" class="wire" /><circle r="18" class="body" /><path :d="SYMBOLS.needle" class="line" />
      <text x="26" y="-3" class="name">{{ g.id }}</text>
      <text x="26" y="16" class="value">{{ bar(g.line) === undefined ? '' : display.show(bar(g.line) ?? 0) }}</text>
    </g>

    <g v-for="m in drawing.motors" :key="m.component.id" :transform="`translate(${m.x} ${m.y})`">
      <path d="M 34 -4 H 116 M 34 4 H 116" class="line" />
      <circle r="34" class="body" /><text y="7" class="letter">M</text>
      <text y="56" class="name middle">{{ m.component.id }}</text>
      <text y="74" class="note middle">{{ m.component.ratedPowerKw }} kW</text>
    </g>
    <g v-for="p in drawing.pumps" :key="p.component.id" :class="{ current: isCurrent(p.component.id) }" :transform="`translate(${p.x} ${p.y})`">
      <path d="M 0 34 V 62" class="wire" /><path :d="SYMBOLS.tank" transform="translate(0 64)" class="wire" />
      <circle r="34" class="body" /><path :d="SYMBOLS.pumpTriangle" class="solid" transform="translate(0 -6)" />
      <path v-if="p.component.compensator" :d="SYMBOLS.variable" class="line" />
      <text x="44" y="-8" class="name">{{ p.component.id }}</text>
      <text x="44" y="10" class="note">{{ p.component.displacementCm3 }} cm³/rev</text>
      <text x="44" y="28" class="value">{{ figure(p.component.id, 'flowLpm') === undefined ? '' : `${(figure(p.component.id, 'flowLpm') ?? 0).toFixed(1)} L/min` }}</text>
    </g>
    <g v-for="b in drawing.branches" :key="b.component.id" :class="{ current: isCurrent(b.component.id) }" :transform="`translate(${b.x} ${b.y})`">
      <template v-if="b.component.type === 'relief-valve'">
        <path d="M 0 -40 H -38 V 0 H -22" class="pilot" />
        <rect x="-22" y="-24" width="44" height="48" class="body" />
        <path d="M 8 -16 V 16 m 0 0 l -5 -9 m 5 9 l 5 -9" class="line" />
        <path :d="SYMBOLS.spring" class="line" /><path :d="SYMBOLS.adjust" class="line" />
        <text x="60" y="-4" class="name">{{ b.component.id }}</text>
        <text x="60" y="14" class="note">{{ note(b.component) }}</text>
      </template>
      <template v-else-if="b.component.type !== 'throttle' && b.component.type !== 'orifice'">
        <rect x="-26" y="-24" width="52" height="48" class="body" />
        <text x="36" y="-4" class="name">{{ b.component.id }}</text>
        <text x="36" y="14" class="note">{{ b.component.type.replaceAll('-', ' ') }}</text>
      </template>
      <template v-else>
        <path :d="SYMBOLS.throttleArcs" class="line" /><path d="M 0 -24 V 24" :class="['wire', { under: under(b.line) }]" />
        <path :d="SYMBOLS.throttleAdjust" class="line" />
        <text x="34" y="-4" class="name">{{ b.component.id }} {{ b.component.purpose ?? 'load' }}</text>
        <text x="34" y="14" class="note">{{ note(b.component) }}</text>
      </template>
    </g>
    <text v-for="b in drawing.buses" :key="'n' + b.line" :x="b.from + 240" :y="b.y - 12" class="value">
      line {{ b.line }}{{ bar(b.line) === undefined ? '' : `  ${display.show(bar(b.line) ?? 0)}` }}
    </text>
  </svg>
  <p v-if="undrawn.length" class="small quiet">In the circuit but not drawn yet: {{ undrawn.join(', ') }}.</p>
</template>

<style scoped>
.circuit {
  width: 100%;
  display: block;
  max-height: 350px;
}
.wire {
  fill: none;
  stroke: var(--ink);
  stroke-width: 2;
}
.wire.under {
  stroke: var(--water);
}
.wire path {
  stroke-linejoin: round;
}
.body {
  fill: var(--card);
  stroke: var(--ink);
  stroke-width: 2.4;
}
.current .body {
  stroke: var(--gold);
  stroke-width: 5;
}
.line {
  fill: none;
  stroke: var(--ink);
  stroke-width: 2;
}
.solid {
  fill: var(--ink);
}
.pilot {
  fill: none;
  stroke: var(--gate);
  stroke-width: 1.6;
  stroke-dasharray: 7 5;
}
text {
  fill: var(--ink);
  font-size: 15px;
}
.name {
  font-weight: 700;
}
.note {
  fill: var(--quiet);
}
.value {
  fill: var(--water);
  font-weight: 600;
}
.letter {
  text-anchor: middle;
  font-weight: 700;
  font-size: 20px;
}
.middle {
  text-anchor: middle;
}
</style>
