<script setup lang="ts">
import ProgressBar from 'primevue/progressbar'
import { say } from '../words'
import { clockToTheSecond, elapsed } from '../display/time'
import { computed } from 'vue'
import { useDisplay } from '../display/display'
import { pressureNumber, type PressureUnit } from '../display/quantity'
import type { Schema } from '../api/client'
import type { LiveView } from './useLive'

const props = defineProps<{
  live: LiveView
  /** rated currents, A */
  motors: Record<string, number>
  /** how long a battery motor may be on, s */
  onTime: Record<string, number>
  band?: [number, number]
  gaugeError: Record<string, number>
  reads: Record<string, PressureUnit>
  /** instruments that the step at hand is read on: they come first, and big */
  here: string[]
  /** since when the stream is silent, ms since 1970; 0 while it lives */
  lostSince: number
}>()
const display = useDisplay()

const gauges = computed(() =>
  Object.entries(props.live.gauges).sort(([a], [b]) => Number(props.here.includes(b)) - Number(props.here.includes(a))),
)

function isHere(id: string) {
  return props.here.includes(id) || gauges.value.length === 1
}

function state(id: string, g: Schema['Gauge']): string {
  if (!g.settled) return say('run.instruments.moving')
  return g.takeBar !== null && g.takeBar !== undefined && Math.abs(g.takeBar - g.bar) > 0.5
    ? say('run.instruments.turned-at', pressureNumber(g.takeBar, unit(id), true))
    : say('run.instruments.settled')
}

/** Several where the instruments don't tell them apart. */
function heldBy(by: string[]): string {
  return say('run.instruments.held-by', by.join(say('run.instruments.or')))
}

function unit(id: string): PressureUnit {
  return props.reads[id] ?? 'bar'
}

const oilNow = computed(() => display.temperature(props.live.oilC, 1).split(' '))
const oilSays = computed(() => {
  const [low, high] = props.band ?? [0, 0]
  const oil = props.live.oilC
  const stands = oil < low ? 'run.instruments.oil-below' : oil > high ? 'run.instruments.oil-above' : 'run.instruments.oil-in'
  return say(stands, display.temperature(low, 0).split(' ')[0], display.temperature(high, 0))
})
</script>

<template>
  <p v-if="lostSince" class="chip fail" role="status">
    {{ say('run.instruments.not-heard-since-these', clockToTheSecond(lostSince)) }}
  </p>
  <div class="instruments" :class="{ lost: lostSince }">
    <div v-for="[id, g] in gauges" :key="id" class="gauge" :class="{ here: isHere(id), alone: isHere(id) && here.length < 2 }">
      <span class="quiet small">{{ id }}</span>
      <p class="big">
        <span class="live">{{ pressureNumber(g.bar, unit(id), true) }}</span> {{ unit(id) }}
        <span v-if="unit(id) !== display.pressure" class="quiet small">({{ display.show(g.bar) }})</span>
      </p>
      <span class="chip" :class="g.settled ? 'pass' : 'plain'" :title="state(id, g)">{{
        isHere(id) ? state(id, g) : state(id, g).slice(0, 1)
      }}</span>
      <span v-if="gaugeError[id] && isHere(id)" class="chip cannot-tell"
        >± {{ pressureNumber(gaugeError[id] ?? 0, unit(id)) }} {{ unit(id) }}</span
      >
      <span v-if="live.held?.gauge === id" class="chip plain">{{ heldBy(live.held.by) }}</span>
    </div>
    <div v-for="(m, id) in live.motors" :key="id">
      <span class="quiet small">{{ say('run.instruments.motor', id) }}</span>
      <p class="mid">
        <span class="live">{{ m.amps.toFixed(1) }}</span> A <span class="quiet small">{{ say('run.instruments.of', motors[id]) }}</span>
      </p>
      <ProgressBar
        :value="Math.min(100, (100 * m.amps) / (motors[id] ?? 100))"
        :show-value="false"
        :aria-label="say('run.instruments.load-of', id)"
        class="meter"
        :class="{ over: m.amps > (motors[id] ?? 1e9) }"
      />
      <span v-if="m.amps > (motors[id] ?? 1e9)" class="chip fail">{{ say('run.instruments.above-its-rating-turn') }}</span>
      <span v-if="onTime[id]" class="chip" :class="(live.onTimeS[id] ?? 0) > (onTime[id] ?? 0) ? 'fail' : 'plain'">
        {{
          say(
            'run.instruments.on-of-s',
            (live.onTimeS[id] ?? 0) > (onTime[id] ?? 0) ? say('run.instruments.stop') : '',
            Math.round(live.onTimeS[id] ?? 0),
            onTime[id],
          )
        }}
      </span>
    </div>
    <div v-for="(rpm, id) in live.engines" :key="id">
      <span class="quiet small">{{ say('run.instruments.engine', id) }}</span>
      <p class="mid">
        <span class="live">{{ rpm }}</span> {{ say('run.instruments.rpm') }}
      </p>
    </div>
    <div v-for="(lpm, id) in live.meters" :key="`f${id}`">
      <span class="quiet small">{{ say('run.instruments.flow-meter', id) }}</span>
      <p class="mid">
        <span class="live">{{ display.flow(lpm, 1).split(' ')[0] }}</span> {{ display.flow(lpm, 1).split(' ')[1] }}
      </p>
    </div>
    <div>
      <span class="quiet small">{{ say('run.instruments.oil') }}</span>
      <p class="mid">
        <span class="live">{{ oilNow[0] }}</span> {{ oilNow[1] }}
      </p>
      <span v-if="band" class="small" :class="live.oilC < band[0] ? 'cold' : ''">{{ oilSays }}</span>
    </div>
    <time class="quiet small ran" :datetime="`PT${live.timeS.toFixed(2)}S`">{{
      say('run.instruments.machine-time', elapsed(live.timeS))
    }}</time>
  </div>
</template>

<style scoped>
.instruments {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 4px 16px;
  position: sticky;
  top: 0;
  z-index: 1;
  background: var(--card);
}
.gauge.alone {
  grid-column: 1 / -1;
}
.gauge:not(.here) {
  display: flex;
  align-items: baseline;
  gap: 6px;
}
.gauge:not(.here) .live {
  font-size: 22px;
}
.gauge:not(.here) .big {
  font-size: 15px;
}
.gauge:not(.here) .chip {
  background: none;
  padding: 0;
}
.ran {
  align-self: end;
}
.lost {
  opacity: 0.35;
}
.big {
  font-size: 20px;
}
.big .live {
  font-size: 46px;
  line-height: 1.05;
}
.mid .live {
  font-size: 44px;
  line-height: 1.05;
}
.chip {
  margin-right: 8px;
}
.cold {
  color: var(--water);
  font-weight: 600;
}
.meter {
  --p-progressbar-background: var(--rule);
  --p-progressbar-value-background: var(--water);
}
.meter.over {
  --p-progressbar-value-background: var(--stop);
}
</style>
