<script setup lang="ts">
import { say } from '../words'
import { computed } from 'vue'
import type { Schema } from '../api/client'
import { useDisplay } from '../display/display'
import { settingName } from '../display/names'
import { fromBar, pressureNumber } from '../display/quantity'
import { graduation, spread } from './layout'

type StaffView = Schema['StaffView']

const props = defineProps<{
  staff: StaffView
  /** live or solved pressure of the line, bar */
  live?: number
  /** the setting at hand */
  current?: string
  small?: boolean
  /** height of the drawing against a width of 352 */
  tall?: number
}>()

const display = useDisplay()
const TOP = 34
const height = computed(() => (props.small ? 150 : (props.tall ?? 600)))
/** Four figures, as psi have them, need a wider board, wider flags and more room for a gap. */
const more = computed(() => 12 * Math.max(0, Math.round(fromBar(props.staff.topBar, display.pressure)).toString().length - 3))
const width = computed(() => (props.small ? 100 : 352 + 3 * more.value))
const flag = computed(() => 152 + more.value)
const board = computed(() => ({ x: props.small ? 14 : 40, w: props.small ? 34 : 64 + more.value, bottom: height.value - 8 }))

function y(bar: number): number {
  const share = Math.max(0, Math.min(1, bar / props.staff.topBar))
  return board.value.bottom - share * (board.value.bottom - TOP)
}

const ticks = computed(() => {
  const top = fromBar(props.staff.topBar, display.pressure)
  const step = graduation(top, props.small ? 4 : 13)
  const all: { value: string; y: number }[] = []
  for (let v = step; v < top; v += step) {
    all.push({ value: String(Math.round(v * 100) / 100), y: y((v / top) * props.staff.topBar) })
  }
  return { all, half: (y(0) - y((step / top) * props.staff.topBar)) / 4 }
})

const ceiling = computed(() => props.staff.ceilings[0])
/** Where the board ends and the hatching begins; a figure that would be half under it is left to the rating beside it. */
const end = computed(() => (ceiling.value ? Math.max(TOP + 4, y(ceiling.value.bar)) : TOP))

const flags = computed(() => {
  const list = [...props.staff.flags]
  const places = spread(
    list.map((f) => y(f.bar)),
    42,
    TOP + 22,
    board.value.bottom - 20,
  )
  return list.map((f, i) => ({
    ...f,
    at: y(f.bar),
    label: places[i] ?? 0,
    title: f.kind === 'work' ? f.name : settingName(f.id, f.kind),
    note:
      f.kind === 'work'
        ? say('staff.staff.needs', display.show(f.bar))
        : say(
            f.set ? 'staff.staff.set-target' : 'staff.staff.target',
            pressureNumber(f.bar, display.pressure),
            display.show(f.toleranceBar),
          ),
  }))
})

const gaps = computed(() =>
  props.staff.gaps.map((g) => {
    const upper = flags.value.find((f) => f.id === g.upper)
    const lower = flags.value.find((f) => f.id === g.lower)
    return { ...g, from: upper?.label ?? 0, to: lower?.label ?? 0, short: g.bar < g.neededBar - 1e-6 }
  }),
)
</script>

<template>
  <svg
    class="staff"
    :class="{ small }"
    :viewBox="`0 0 ${width} ${height}`"
    role="img"
    :aria-label="say('staff.staff.staff-of-line', staff.line) + (live === undefined ? '' : say('staff.staff.now', display.show(live)))"
  >
    <defs>
      <pattern id="hatch" width="8" height="8" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
        <rect width="8" height="8" class="hatch-ground" />
        <rect width="3" height="8" class="hatch" />
      </pattern>
    </defs>
    <text :x="small ? 0 : 8" y="16" class="title">{{ say('staff.staff.line', staff.line, display.pressure) }}</text>
    <rect :x="board.x" :y="TOP" :width="board.w" :height="board.bottom - TOP" class="board" />
    <g v-for="t in ticks.all" :key="t.value">
      <rect :x="board.x + board.w * 0.78" :y="t.y" :width="board.w * 0.22" :height="ticks.half" class="block" />
      <rect
        v-if="t.y - 2 * ticks.half > TOP"
        :x="board.x + board.w * 0.78"
        :y="t.y - 2 * ticks.half"
        :width="board.w * 0.22"
        :height="ticks.half"
        class="block"
      />
      <line :x1="board.x + board.w * 0.62" :x2="board.x + board.w" :y1="t.y" :y2="t.y" class="tick" />
      <text v-if="!small && t.y - 6 > end" :x="board.x + board.w * 0.58" :y="t.y + 5" class="number">{{ t.value }}</text>
    </g>
    <g v-if="ceiling">
      <rect :x="board.x" :y="TOP" :width="board.w" :height="end - TOP" fill="url(#hatch)" class="ceiling" />
      <text v-if="!small" :x="board.x + board.w + 8" :y="y(ceiling.bar) + 1" class="limit">
        {{ say('staff.staff.rating', display.show(ceiling.bar), ceiling.part === staff.line ? say('staff.staff.the-line') : ceiling.part) }}
      </text>
    </g>
    <g v-for="f in flags" :key="f.id" :class="['flag', f.kind, { set: f.set, current: f.id === current }]">
      <template v-if="small">
        <path :d="`M ${board.x + board.w} ${f.at} l 10 -6 h 26 v 12 h -26 z`" />
      </template>
      <template v-else>
        <path :d="`M ${board.x + board.w} ${f.at} L ${board.x + board.w + 14} ${f.label - 19} h ${flag} v 38 h ${-flag} z`" />
        <text :x="board.x + board.w + 22" :y="f.label - 3" class="flag-title">
          {{ f.title.length > 20 ? f.title.slice(0, 19) + '…' : f.title }}
        </text>
        <text :x="board.x + board.w + 22" :y="f.label + 13" class="flag-note">{{ f.note }}</text>
      </template>
    </g>
    <g v-for="g in small ? [] : gaps" :key="g.upper + g.lower" :class="['gap', { short: g.short }]">
      <path :d="`M ${board.x + board.w + flag + 20} ${g.from} h 8 V ${g.to} h -8`" />
      <text :x="board.x + board.w + flag + 33" :y="(g.from + g.to) / 2 - 1" class="flag-title">
        {{ g.short ? '▲ ' : '' }}{{ pressureNumber(g.bar, display.pressure) }}
      </text>
      <text :x="board.x + board.w + flag + 33" :y="(g.from + g.to) / 2 + 14" class="flag-note">
        {{ say('staff.staff.asks', pressureNumber(g.neededBar, display.pressure)) }}
      </text>
    </g>
    <g v-if="live !== undefined" class="now">
      <path :d="`M ${board.x - 32} ${y(live) - 11} L ${board.x - 2} ${y(live)} L ${board.x - 32} ${y(live) + 11} z`" />
      <line :x1="board.x" :x2="board.x + board.w" :y1="y(live)" :y2="y(live)" />
    </g>
  </svg>
</template>

<style scoped>
.staff {
  width: 100%;
  max-height: calc(100vh - 150px);
  display: block;
}
text {
  fill: var(--ink);
  font-size: 14px;
}
.small text {
  font-size: 12px;
}
.title {
  font-weight: 700;
}
.board {
  fill: var(--board);
  stroke: var(--ink);
  stroke-width: 1.5;
}
.block {
  fill: var(--ink);
}
.tick {
  stroke: var(--ink);
  stroke-width: 2;
}
.number {
  text-anchor: end;
  font-family: 'Atkinson Hyperlegible Mono', monospace;
  font-size: 15px;
}
.hatch-ground {
  fill: var(--stop-soft);
}
.hatch {
  fill: var(--stop);
}
.ceiling {
  stroke: var(--stop);
}
.limit {
  fill: var(--stop);
  font-weight: 600;
  font-size: 13px;
}
.flag path {
  fill: var(--board);
  stroke: var(--gate);
  stroke-width: 2;
}
.flag .flag-title,
.flag .flag-note {
  fill: var(--gate);
}
.flag-title {
  font-weight: 700;
}
.flag-note {
  font-size: 13px;
}
.flag.set path {
  fill: var(--gate);
}
.flag.set text {
  fill: var(--on-gate) !important;
}
.flag.current path {
  stroke: var(--gold);
  stroke-width: 4;
}
.flag.work path {
  stroke: var(--water);
}
.flag.work text {
  fill: var(--water);
}
.gap path {
  fill: none;
  stroke: var(--ink);
  stroke-width: 1.5;
}
.gap.short path {
  stroke: var(--stop);
  stroke-width: 3;
}
.gap.short text {
  fill: var(--stop);
}
.now path {
  fill: var(--water);
}
.now line {
  stroke: var(--water);
  stroke-width: 3;
}
</style>
