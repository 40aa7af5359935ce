<script setup lang="ts">
import { positionWord } from '../parts/levers'
import Slider from 'primevue/slider'
import Select from 'primevue/select'
import Checkbox from 'primevue/checkbox'
import { useDisplay } from '../display/display'
import { say } from '../words'
import { PURPOSES } from '../display/names'
import { computed } from 'vue'
import type { Schema } from '../api/client'
import { isDriver, kindOf } from '../parts/kinds'
import type { UnitComponent, UnitFile } from '../units/unitFile'
import type { WhatIf } from './useSheet'

const LOAD = 'load'
const display = useDisplay()
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
        ><Checkbox
          binary
          :model-value="!whatIf.stopped.includes(d.id)"
          @update:model-value="whatIf.stopped = toggle(whatIf.stopped, d.id)"
        />
        {{ say('sheet.situationBar.running', d.id) }}</label
      >
      <Select
        v-if="d.speedsRpm"
        :aria-label="say('sheet.situationBar.speed-of', d.id)"
        :model-value="whatIf.speeds[d.id] ?? (d.speedsRpm as { mid?: number })?.mid"
        :options="speeds(d).map(([, rpm]) => ({ rpm, label: say('sheet.situationBar.rpm', rpm) }))"
        option-label="label"
        option-value="rpm"
        @update:model-value="(rpm) => (whatIf.speeds[d.id] = Number(rpm))"
      />
    </span>
    <span v-for="v in valves" :key="v.id" class="one"
      >{{ v.id }}
      <Select
        :aria-label="say('sheet.situationBar.position-of', v.id)"
        :model-value="whatIf.positions[v.id] ?? v.start ?? 'neutral'"
        :options="positions(v).map((at) => ({ at, label: positionWord(v, at) }))"
        option-label="label"
        option-value="at"
        @update:model-value="(at) => (whatIf.positions[v.id] = at)"
      />
    </span>
    <span v-for="t in throttles" :key="t.id" class="one"
      >{{ t.id }} {{ PURPOSES[t.purpose ?? LOAD] }}
      <Slider
        :model-value="Math.round((whatIf.openings[t.id] ?? 0) * 100)"
        class="slider"
        :aria-label="say('sheet.situationBar.opening-of', t.id)"
        @update:model-value="(percent) => (whatIf.openings[t.id] = Number(percent) / 100)"
      />
      <b class="percent">{{ Math.round((whatIf.openings[t.id] ?? 0) * 100) }} %</b>
    </span>
    <label v-for="v in vents" :key="v.id" class="check"
      ><Checkbox binary :model-value="whatIf.vented.includes(v.id)" @update:model-value="whatIf.vented = toggle(whatIf.vented, v.id)" />
      {{ say('sheet.situationBar.vented', v.id) }}</label
    >
    <span class="one"
      >{{ say('sheet.situationBar.oil') }}
      <Slider
        :model-value="whatIf.oilC"
        class="slider"
        :max="80"
        :aria-label="say('sheet.situationBar.oil-temperature')"
        @update:model-value="(c) => (whatIf.oilC = Number(c))"
      />
      <b class="percent">{{ display.temperature(whatIf.oilC, 0) }}</b>
    </span>
    <span class="gap"></span>
    <span v-for="d in drivers" :key="`f${d.id}`"
      >{{ d.id }} <b class="live">{{ display.power(drive(d.id).powerKw, 1) }}</b>
      {{ say('sheet.situationBar.of-kw', display.power(d.ratedPowerKw ?? 0)) }}
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
.slider {
  width: 100px;
  margin: 0 14px;
}
.percent {
  min-width: 44px;
}
.over {
  color: var(--stop);
}
</style>
