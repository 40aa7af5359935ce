<script setup lang="ts">
import { say } from '../words'
import { PURPOSES } from '../display/names'
import { computed } from 'vue'
import type { Schema } from '../api/client'
import { isDriver, kindOf } from '../parts/kinds'
import type { UnitComponent, UnitFile } from '../units/unitFile'
import type { WhatIf } from './useSheet'

const LOAD = 'load'
const props = defineProps<{ unit: UnitFile; steady?: Schema['SteadyView'] }>()
const whatIf = defineModel<WhatIf>({ required: true })

const drivers = computed(() => props.unit.components.filter(isDriver))
const throttles = computed(() => props.unit.components.filter((c) => c.type === 'throttle'))
const valves = computed(() => props.unit.components.filter((c) => kindOf(c).lever))
const vents = computed(() => props.unit.components.filter((c) => c.vent === true))

function positions(c: UnitComponent): string[] {
  const lever = kindOf(c).lever?.(c)
  return lever ? [lever.rest, ...Object.keys(lever.positions).filter((p) => p !== lever.rest)] : []
}

function speeds(c: UnitComponent): [string, number][] {
  return Object.entries((c.speedsRpm ?? {}) as Record<string, number>)
}

function drive(id: string) {
  const c = props.steady?.components[id] as { powerKw?: number; currentA?: number; load?: number } | undefined
  return { powerKw: c?.powerKw ?? 0, currentA: c?.currentA ?? 0, load: c?.load ?? 0 }
}

function toggle(list: string[], id: string): string[] {
  return list.includes(id) ? list.filter((x) => x !== id) : [...list, id]
}
</script>

<template>
  <section class="card bar no-print" :aria-label="say('sheet.situationBar.what-if')">
    <b>{{ say('sheet.situationBar.what-if') }}</b>
    <span v-for="d in drivers" :key="d.id" class="one">
      <label class="check"
        ><input type="checkbox" :checked="!whatIf.stopped.includes(d.id)" @change="whatIf.stopped = toggle(whatIf.stopped, d.id)" />
        {{ say('sheet.situationBar.running', d.id) }}</label
      >
      <select
        v-if="d.speedsRpm"
        class="p-inputtext"
        :aria-label="say('sheet.situationBar.speed-of', d.id)"
        :value="whatIf.speeds[d.id] ?? (d.speedsRpm as { mid?: number })?.mid"
        @change="whatIf.speeds[d.id] = Number(($event.target as HTMLSelectElement).value)"
      >
        <option v-for="[name, rpm] in speeds(d)" :key="name" :value="rpm">{{ say('sheet.situationBar.rpm', rpm) }}</option>
      </select>
    </span>
    <label v-for="v in valves" :key="v.id" class="one"
      >{{ v.id }}
      <select
        class="p-inputtext"
        :aria-label="say('sheet.situationBar.position-of', v.id)"
        :value="whatIf.positions[v.id] ?? v.start ?? 'neutral'"
        @change="whatIf.positions[v.id] = ($event.target as HTMLSelectElement).value"
      >
        <option v-for="p in positions(v)" :key="p">{{ p }}</option>
      </select>
    </label>
    <label v-for="t in throttles" :key="t.id" class="one"
      >{{ t.id }} {{ PURPOSES[t.purpose ?? LOAD] }}
      <input
        type="range"
        min="0"
        max="1"
        step="0.01"
        :value="whatIf.openings[t.id] ?? 0"
        :aria-label="say('sheet.situationBar.opening-of', t.id)"
        @input="whatIf.openings[t.id] = Number(($event.target as HTMLInputElement).value)"
      />
      <b class="percent">{{ Math.round((whatIf.openings[t.id] ?? 0) * 100) }} %</b>
    </label>
    <label v-for="v in vents" :key="v.id" class="check"
      ><input type="checkbox" :checked="whatIf.vented.includes(v.id)" @change="whatIf.vented = toggle(whatIf.vented, v.id)" />
      {{ say('sheet.situationBar.vented', v.id) }}</label
    >
    <label class="one"
      >{{ say('sheet.situationBar.oil') }}
      <input v-model.number="whatIf.oilC" type="range" min="0" max="80" step="1" :aria-label="say('sheet.situationBar.oil-temperature')" />
      <b class="percent">{{ whatIf.oilC }} °C</b>
    </label>
    <span class="gap"></span>
    <span v-for="d in drivers" :key="`f${d.id}`"
      >{{ d.id }} <b class="live">{{ drive(d.id).powerKw.toFixed(1) }}</b> {{ say('sheet.situationBar.of-kw', d.ratedPowerKw) }}
      <template v-if="!d.speedsRpm"
        >· <b class="live">{{ drive(d.id).currentA.toFixed(1) }}</b> A</template
      >
      ·
      <b :class="drive(d.id).load > 1 ? 'over' : 'live'"
        >{{ drive(d.id).load > 1 ? '▲ ' : '' }}{{ Math.round(drive(d.id).load * 100) }} %</b
      >
    </span>
  </section>
</template>

<style scoped>
.bar {
  display: flex;
  align-items: center;
  gap: 6px 16px;
  padding: 6px 16px;
  flex-wrap: wrap;
}
.one,
.check {
  display: inline-flex;
  align-items: center;
  gap: 8px;
  min-height: 44px;
}
input[type='range'] {
  width: 104px;
  height: 44px;
  accent-color: var(--gate);
}
.percent {
  min-width: 44px;
}
.over {
  color: var(--stop);
}
</style>
