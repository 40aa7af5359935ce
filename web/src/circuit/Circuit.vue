<script setup lang="ts">
import { say } from '../words'
import { computed, ref } from 'vue'
import type { Schema } from '../api/client'
import { useDisplay } from '../display/display'
import { pressureNumber } from '../display/quantity'
import { isDriver } from '../parts/kinds'
import type { UnitFile } from '../units/unitFile'
import type { Part } from './drawing'
import { layout } from './layout'
import PartSymbol from './PartSymbol.vue'
import { useNotes } from './useNotes'
import { useStanding } from './useStanding'
import { usePanning } from './usePanning'
import { useZoom } from './useZoom'
import { reach } from './ports'
import { SYMBOLS } from './symbols/paths'
import './symbols/symbols.css'
import type { Pointed } from './pointed'

const props = defineProps<{
  unit: UnitFile
  steady?: Schema['SteadyView']
  /** part or setting to point out */
  current?: string
  positions?: Record<string, string>
  /** parts and lines that something is wrong with */
  faults?: string[]
  /** parts, gauges and lines can be pointed at */
  editable?: boolean
}>()
const emit = defineEmits<{ pointed: [at: Pointed] }>()

const display = useDisplay()
const picture = ref<SVGSVGElement>()
const drawing = computed(() => layout(props.unit))
const highest = computed(() => Math.max(100, ...props.unit.lines.map((l) => Number(l.ratingBar) || 0)))

const content = ref<SVGGElement>()
const { viewBox, zoomed, zoom, fit, pan } = useZoom(
  content,
  () => ({ x: 0, y: drawing.value.top, width: drawing.value.width, height: drawing.value.height }),
  () => [props.unit, props.steady, display.pressure],
)
const panning = usePanning(zoomed, pan, zoom)

const notes = useNotes(props)
const { passing, holds, runs } = useStanding(props)

defineExpose({ picture, zoomed, zoom, fit })

function bar(line: string): number | undefined {
  return props.steady?.lines[line]?.pressureBar
}

/** One pressure, one thickness: from a hair near tank to a bar at the rating. */
function thickness(line: string): number {
  return 2 + 5 * Math.min(1, Math.max(0, bar(line) ?? 0) / highest.value)
}

function under(line: string): boolean {
  return (bar(line) ?? 0) > 5
}

function isCurrent(id: string): boolean {
  return props.current === id || props.current?.startsWith(`${id}.`) === true
}

function labelX(p: Part): number {
  return isDriver(p.component) ? -24 : reach(p.component).right
}

/** A pump's shaft may go on to the next: its name stands above it, its figures below. */
function nameY(p: Part): number {
  return isDriver(p.component) ? 48 : p.component.type === 'pump' ? -12 : -6
}

function noteY(p: Part): number {
  return isDriver(p.component) ? 64 : p.component.type === 'pump' ? 22 : 10
}

const NAMES = { line: 'circuit.circuit.line', part: 'circuit.circuit.part', gauge: 'circuit.circuit.gauge' } as const

/** What makes a part of the picture something that a hand or a key can point at. */
function open(kind: Pointed['kind'], id: string) {
  if (!props.editable) return {}
  const point = () => emit('pointed', { kind, id })
  return {
    class: 'open',
    tabindex: 0,
    role: 'button',
    'aria-label': say(NAMES[kind], id),
    onClick: point,
    onKeydown: (e: KeyboardEvent) => {
      if (e.key !== 'Enter' && e.key !== ' ') return
      // What opens takes the focus; the same key must not press a button there.
      e.preventDefault()
      point()
    },
  }
}
</script>

<template>
  <svg
    ref="picture"
    :class="['circuit', { zoomed }]"
    :viewBox="viewBox"
    role="group"
    :aria-label="say('circuit.circuit.circuit-of', unit.tag)"
    v-on="panning"
  >
    <g ref="content">
      <g v-for="s in drawing.shafts" :key="s.x1">
        <path :d="`M ${s.x1} ${s.y - 4} H ${s.x2} M ${s.x1} ${s.y + 4} H ${s.x2}`" class="line" />
      </g>
      <g
        v-for="r in drawing.rails"
        :key="r.line"
        :class="['rail', { current: isCurrent(r.line), fault: faults?.includes(r.line) }]"
        v-bind="open('line', r.line)"
      >
        <path v-if="editable" :d="`M ${r.thinX1 - 28} ${r.y} H ${r.thinX2}`" class="rail-touch" />
        <path v-if="r.thinX1 < r.x1 || r.thinX2 > r.x2" :d="`M ${r.thinX1} ${r.y} H ${r.thinX2}`" class="pilot" />
        <path :d="`M ${r.x1} ${r.y} H ${r.x2}`" :class="['wire', { under: under(r.line) }]" :style="{ strokeWidth: thickness(r.line) }" />
        <text :x="r.thinX1 - 4" :y="r.y - 8" class="value" text-anchor="end">{{ r.line }}</text>
        <text v-if="bar(r.line) !== undefined" :x="r.thinX1 - 4" :y="r.y + 10" class="value" text-anchor="end">
          {{ pressureNumber(bar(r.line) ?? 0, display.pressure) }}
        </text>
      </g>
      <g
        v-for="g in drawing.gauges"
        :key="g.id"
        :class="['gauge', { current: isCurrent(g.id), fault: faults?.includes(g.id) }]"
        v-bind="open('gauge', g.id)"
      >
        <rect v-if="editable" :x="g.x - 20" :y="g.y - 20" width="110" height="42" class="touch" />
        <path :d="`M ${g.x} ${g.wire.y1} V ${g.wire.y2}`" class="line" />
        <circle :cx="g.x" :cy="g.wire.y2" r="3.5" class="dot" />
        <circle :cx="g.x" :cy="g.y" r="16" class="body" />
        <path :d="SYMBOLS.needle" class="line" :transform="`translate(${g.x} ${g.y})`" />
        <text :x="g.x + 21" :y="g.y - 3" class="name">{{ g.id }}</text>
        <text v-if="bar(g.line) !== undefined" :x="g.x + 21" :y="g.y + 14" class="value">{{ display.show(bar(g.line) ?? 0) }}</text>
      </g>
      <g
        v-for="p in drawing.parts"
        :key="p.component.id"
        :class="['part', { current: isCurrent(p.component.id), fault: faults?.includes(p.component.id) }]"
        v-bind="open('part', p.component.id)"
      >
        <g v-for="(w, i) in p.wires" :key="i">
          <path
            :d="`M ${w.x} ${w.y1} V ${w.y2}`"
            :class="w.thin ? 'pilot' : ['wire', { under: under(w.line) }]"
            :style="w.thin ? undefined : { strokeWidth: Math.max(thickness(w.line), runs(p.component, w) ? 4.5 : 0) }"
          />
          <path
            v-if="runs(p.component, w)"
            :d="runs(p.component, w) > 0 ? `M ${w.x} ${w.y1} V ${w.y2}` : `M ${w.x} ${w.y2} V ${w.y1}`"
            class="flow"
          />
          <circle :cx="w.x" :cy="w.y2" r="3.5" class="dot" />
        </g>
        <g v-for="(t, i) in p.tanks" :key="`t${i}`">
          <path :d="`M ${t.x} ${t.y - 22} V ${t.y}`" class="line" />
          <path :d="SYMBOLS.tank" class="line" :transform="`translate(${t.x} ${t.y})`" />
        </g>
        <g :transform="`translate(${p.x} ${p.y})`">
          <rect v-if="editable" x="-48" y="-36" width="150" height="76" class="touch" />
          <PartSymbol :part="p" :passing="passing(p.component)" :position="positions?.[p.component.id]" />
          <text :x="labelX(p)" :y="nameY(p)" class="name">{{ p.component.id }}{{ holds(p.component) ? ' ◆' : '' }}</text>
          <text v-for="(n, i) in notes(p.component)" :key="n" :x="labelX(p)" :y="noteY(p) + i * 17" class="note">{{ n }}</text>
        </g>
      </g>
    </g>
  </svg>
</template>

<style scoped>
.circuit {
  width: 100%;
  display: block;
}
.zoomed {
  cursor: grab;
  touch-action: none;
}
.touch {
  fill: transparent;
}
.rail-touch {
  fill: none;
  stroke: transparent;
  stroke-width: 30;
}
.open {
  cursor: pointer;
}
.open:focus-visible {
  outline: none;
}
.open:focus-visible .touch {
  stroke: var(--gold);
  stroke-width: 3;
}
.open:focus-visible .rail-touch {
  stroke: var(--gold-soft);
}
</style>
