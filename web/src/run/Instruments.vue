<script setup lang="ts">
import { useDisplay } from '../display/display'
import { pressureNumber } from '../display/quantity'
import type { LiveView } from './useLive'

defineProps<{ live: LiveView; motors: Record<string, number>; band?: [number, number]; gaugeError: Record<string, number> }>()
const display = useDisplay()
</script>

<template>
  <div class="instruments">
    <div v-for="(g, id) in live.gauges" :key="id" class="gauge">
      <span class="quiet small">{{ id }}</span>
      <p class="big"><span class="live">{{ pressureNumber(g.bar, display.pressure, true) }}</span> {{ display.pressure }}</p>
      <span class="chip" :class="g.settled ? 'pass' : 'plain'">{{ g.settled ? '◆ settled' : '◇ moving' }}</span>
      <span v-if="gaugeError[id]" class="chip cannot-tell">gauge ± {{ display.show(gaugeError[id] ?? 0) }}</span>
    </div>
    <div v-for="(a, id) in live.motors" :key="id">
      <span class="quiet small">Motor {{ id }}</span>
      <p class="mid"><span class="live">{{ a.toFixed(1) }}</span> A <span class="quiet small">of {{ motors[id] }}</span></p>
      <span class="meter"><span :class="{ over: a > (motors[id] ?? 1e9) }" :style="{ width: `${Math.min(100, (100 * a) / (motors[id] ?? 100))}%` }"></span></span>
    </div>
    <div>
      <span class="quiet small">Oil</span>
      <p class="mid"><span class="live">{{ live.oilC.toFixed(1) }}</span> °C</p>
      <span v-if="band" class="small" :class="live.oilC < band[0] ? 'cold' : ''">{{ live.oilC < band[0] ? '▼ below ' : live.oilC > 82 ? '▲ thermal switch, above ' : live.oilC > band[1] ? '▲ above ' : '● in ' }}{{ band[0] }} to {{ band[1] }}</span>
    </div>
  </div>
</template>

<style scoped>
.instruments {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 4px 16px;
}
.gauge {
  grid-column: 1 / -1;
}
.big {
  font-size: 20px;
}
.big .live {
  font-size: 60px;
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
  display: block;
  height: 9px;
  border-radius: 5px;
  background: var(--rule);
  overflow: hidden;
}
.meter span {
  display: block;
  height: 100%;
  background: var(--water);
}
.meter .over {
  background: var(--stop);
}
</style>
