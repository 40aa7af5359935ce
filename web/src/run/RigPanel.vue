<script setup lang="ts">
import { computed, ref } from 'vue'
import { asRefused, call, type Refused, type Schema } from '../api/client'
import { settingName } from '../display/names'
import Problems from '../display/Problems.vue'
import { turnsText } from '../display/quantity'
import { newKey } from './outbox'
import RigScrew from './RigScrew.vue'
import type { LiveView } from './useLive'

const props = defineProps<{ runId: string; live: LiveView; current?: string }>()
const emit = defineEmits<{ moved: [] }>()
const refused = ref<Refused | null>(null)
const told = ref('')
const busy = ref(false)
/** The screw at hand stands first: gauge and screw are to be seen together. */
const screws = computed(() =>
  Object.entries(props.live.screws).sort(([a], [b]) => Number(b === props.current) - Number(a === props.current)),
)
const ready = computed(() => props.live.ready)
const STOPS: Record<string, string> = {
  thermal: 'the oil came to its switch at 82 °C. Let it cool into its band.',
  overload: 'too long above its rating. Take the load off first.',
  'on-time': 'its on-time is used up. Let it rest.',
  suction: 'its pump ran with the suction shut, which destroys it in seconds. Open the suction valve.',
  case: 'its pump ran with a dry case, which costs the bearings. Fill the case.',
  rotation: 'it turns against the arrow and its pump runs dry. Change two phases.',
  burst: 'a line came above what its weakest part stands. Take the limiter back out.',
}

async function act(action: string, target: string, value: number, position = '') {
  refused.value = null
  told.value = ''
  busy.value = true
  try {
    const answer = await call<Schema['RigAnswer']>('POST', `/api/runs/${props.runId}/rig`, {
      action,
      target,
      value,
      position,
      key: newKey(),
    })
    told.value = answer.told
    if (action === 'turn' && Math.abs(answer.made) < Math.abs(value) - 1e-6)
      told.value += ` ${settingName(target)} is at its end: made ${turnsText(answer.made)} turn.`
    emit('moved')
  } catch (e) {
    refused.value = asRefused(e)
  } finally {
    busy.value = false
  }
}

function open(id: string, now: number, by: number) {
  void act('open', id, Math.round(Math.max(0, Math.min(1, now + by)) * 1000) / 1000)
}
</script>

<template>
  <section class="rig" aria-label="Practice rig" :aria-busy="busy">
    <p v-for="(cause, id) in live.stops" :key="id" class="stopped" role="alert">
      <b>■ {{ id }} stopped by itself:</b> {{ STOPS[cause] ?? cause }}
    </p>
    <p v-if="told" class="told" role="status">{{ told }}</p>
    <Problems :refused="refused" />
    <RigScrew v-for="[id, screw] in screws.slice(0, 1)" :id="id" :key="id" :tight="screw.nutTight" :current="id === current" @act="act" />
    <div class="row">
      <template v-for="(on, id) in live.running" :key="id">
        <button type="button" class="start" :disabled="on" @click="act('start', String(id), 0)">Start {{ id }}</button>
        <button type="button" class="stop" :disabled="!on" @click="act('stop', String(id), 0)">■ Stop {{ id }}</button>
      </template>
      <button type="button" @click="act('pass', '', 300)">Let 5 min pass</button>
    </div>
    <div v-for="(opening, id) in live.openings" :key="id" class="row wheel">
      <b class="what">{{ id }} {{ (opening * 100).toFixed(1) }} %</b>
      <button type="button" :aria-label="`Shut ${id}`" @click="act('open', String(id), 0)">Shut</button>
      <button type="button" :aria-label="`Close ${id} by 1 %`" @click="open(String(id), opening, -0.01)">−1</button>
      <button type="button" :aria-label="`Close ${id} by 0.1 %`" @click="open(String(id), opening, -0.001)">−.1</button>
      <button type="button" :aria-label="`Open ${id} by 0.1 %`" @click="open(String(id), opening, 0.001)">+.1</button>
      <button type="button" :aria-label="`Open ${id} by 1 %`" @click="open(String(id), opening, 0.01)">+1</button>
      <button type="button" :aria-label="`Open ${id} by 10 %`" @click="open(String(id), opening, 0.1)">+10</button>
      <button type="button" :aria-label="`Open ${id} fully`" @click="act('open', String(id), 1)">Open</button>
    </div>
    <div v-for="(valve, id) in live.valves" :key="id" class="row" role="group" :aria-label="`Valve ${id}`">
      <b class="what">{{ id }}</b>
      <button
        v-for="p in valve.positions"
        :key="p"
        type="button"
        :aria-pressed="valve.at === p"
        :class="{ tight: valve.at === p }"
        @click="act('shift', String(id), 0, p)"
      >
        {{ p }}
      </button>
    </div>
    <RigScrew v-for="[id, screw] in screws.slice(1)" :id="id" :key="id" :tight="screw.nutTight" @act="act" />
    <details v-if="ready">
      <summary>Locks, suction, cases, rotation</summary>
      <div v-for="(on, id) in ready.lockedOut" :key="`l${id}`" class="row">
        <b class="what">{{ id }}</b><button type="button" :aria-pressed="on" @click="act('lock-out', String(id), on ? 0 : 1)">
          {{ on ? 'Locked out: take the lock off' : 'Lock it out' }}
        </button>
        <button v-if="id in ready.rotationRight" type="button" @click="act('rotation', String(id), ready.rotationRight[id] ? 0 : 1)">
          Change two phases
        </button>
      </div>
      <div v-for="(isOpen, id) in ready.suctionOpen" :key="`s${id}`" class="row">
        <b class="what">{{ id }} suction</b
        ><button type="button" :aria-pressed="isOpen" @click="act('suction', String(id), isOpen ? 0 : 1)">
          {{ isOpen ? 'Open: shut it' : 'Shut: open it' }}
        </button>
        <button v-if="id in ready.caseFilled" type="button" :disabled="ready.caseFilled[id]" @click="act('fill', String(id), 1)">
          {{ ready.caseFilled[id] ? 'Case filled' : 'Fill its case' }}
        </button>
      </div>
    </details>
  </section>
</template>

<style scoped>
.rig {
  display: grid;
  gap: 8px;
}
.row {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  align-items: center;
}
.wheel .what {
  flex-basis: 100%;
}
.wheel {
  gap: 4px;
}
.what {
  min-width: 72px;
  font-size: 15px;
}
/* The handles of its screws too. */
:where(.rig) :deep(button) {
  font: inherit;
  font-weight: 600;
  min-height: 44px;
  min-width: 44px;
  padding: 0 8px;
  color: var(--ink);
  background: var(--board);
  border: 1.5px solid var(--quiet);
  border-radius: 6px;
  cursor: pointer;
}
:where(.rig) :deep(button:disabled) {
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
.stopped {
  border-left: 7px solid var(--stop);
  background: var(--stop-soft);
  padding: 6px 10px;
}
.told {
  border-left: 7px solid var(--gold);
  padding: 4px 10px;
}
summary {
  min-height: 44px;
  display: flex;
  align-items: center;
  cursor: pointer;
}
.tight {
  border-style: double;
  border-width: 4px;
}
</style>
