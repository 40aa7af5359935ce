<script setup lang="ts">
import { ref } from 'vue'
import { asRefused, call, type Refused, type Schema } from '../api/client'
import { settingName } from '../display/names'
import Problems from '../display/Problems.vue'
import { turnsText } from '../display/quantity'
import type { LiveView } from './useLive'

const props = defineProps<{ runId: string; live: LiveView; current?: string }>()
const emit = defineEmits<{ turned: [] }>()
const refused = ref<Refused | null>(null)
const told = ref('')
const busy = ref(false)
const TURNS = [-1, -0.25, -0.0625, 0.0625, 0.25, 1]

async function act(action: string, target: string, value: number, position = '') {
  refused.value = null
  told.value = ''
  busy.value = true
  try {
    const answer = await call<Schema['RigAnswer']>('POST', `/api/runs/${props.runId}/rig`, { action, target, value, position })
    if (action === 'turn') {
      emit('turned')
      if (Math.abs(answer.made) < Math.abs(value)) told.value = `${settingName(target)} is at its end: made ${turnsText(answer.made)} turn.`
    }
  } catch (e) {
    refused.value = asRefused(e)
  } finally {
    busy.value = false
  }
}

function label(turns: number): string {
  return `${turns > 0 ? '↻' : '↺'} ${turnsText(turns)}`
}
</script>

<template>
  <section class="rig" aria-label="Practice rig" :aria-busy="busy">
    <h2>Practice rig</h2>
    <div class="row">
      <template v-for="(on, id) in live.running" :key="id">
        <button type="button" class="start" :disabled="on" @click="act('start', String(id), 0)">Start {{ id }}</button>
        <button type="button" class="stop" :disabled="!on" @click="act('stop', String(id), 0)">■ Stop {{ id }}</button>
      </template>
      <button type="button" @click="act('pass', '', 300)">Let 5 min pass</button>
    </div>
    <div v-for="(open, id) in live.openings" :key="id" class="row">
      <b class="what">{{ id }} {{ Math.round(open * 100) }} %</b>
      <button type="button" @click="act('open', String(id), 0)">Shut</button>
      <button type="button" :aria-label="`Close ${id} by 1 %`" @click="act('open', String(id), Math.max(0, open - 0.01))">−1</button>
      <button type="button" :aria-label="`Open ${id} by 1 %`" @click="act('open', String(id), Math.min(1, open + 0.01))">+1</button>
      <button type="button" :aria-label="`Open ${id} by 5 %`" @click="act('open', String(id), Math.min(1, open + 0.05))">+5</button>
      <button type="button" @click="act('open', String(id), 1)">Open</button>
    </div>
    <div v-for="(valve, id) in live.valves" :key="id" class="row" role="group" :aria-label="`Valve ${id}`">
      <b class="what">{{ id }}</b>
      <button v-for="p in valve.positions" :key="p" type="button" :aria-pressed="valve.at === p" :class="{ tight: valve.at === p }" @click="act('shift', String(id), 0, p)">{{ p }}</button>
    </div>
    <div v-for="(screw, id) in live.screws" :key="id" class="screw" :class="{ current: id === current }" role="group" :aria-label="`Screw of ${settingName(String(id))}`">
      <div class="row">
        <b class="what">{{ settingName(String(id)) }}</b>
        <span class="quiet small">↻ in raises</span>
        <span class="gap"></span>
        <button type="button" :aria-pressed="screw.nutTight" :class="{ tight: screw.nutTight }" @click="act('nut', String(id), screw.nutTight ? 0 : 1)">
          {{ screw.nutTight ? 'Nut tight' : 'Nut slack' }}
        </button>
      </div>
      <div class="turns">
        <button v-for="t in TURNS" :key="t" type="button" :aria-label="`Turn ${settingName(String(id))} ${turnsText(t)} ${t > 0 ? 'in' : 'out'}`" @click="act('turn', String(id), t)">{{ label(t) }}</button>
      </div>
    </div>
    <p v-if="told" class="small" role="status">{{ told }}</p>
    <Problems :refused="refused" />
  </section>
</template>

<style scoped>
.rig {
  display: grid;
  gap: 8px;
}
.row {
  display: flex;
  gap: 6px;
  align-items: center;
}
.what {
  min-width: 88px;
}
button {
  font: inherit;
  font-weight: 600;
  min-height: 44px;
  min-width: 44px;
  padding: 0 10px;
  color: var(--ink);
  background: var(--board);
  border: 1.5px solid var(--quiet);
  border-radius: 6px;
  cursor: pointer;
}
button:disabled {
  opacity: 0.45;
  cursor: default;
}
.start:not(:disabled) {
  border-color: var(--gate);
  color: var(--gate);
}
.stop:not(:disabled) {
  background: var(--stop);
  border-color: var(--stop);
  color: var(--card);
}
.tight {
  border-style: double;
  border-width: 4px;
}
.screw {
  border: 1.5px solid var(--rule);
  border-radius: 8px;
  padding: 6px 8px;
  display: grid;
  gap: 6px;
}
.screw.current {
  border-color: var(--gold);
  border-width: 3px;
}
.turns {
  display: grid;
  grid-template-columns: repeat(6, 1fr);
  gap: 4px;
}
.turns button {
  padding: 0;
  font-size: 15px;
  white-space: nowrap;
}
</style>
