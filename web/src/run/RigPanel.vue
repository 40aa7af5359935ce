<script setup lang="ts">
import Button from 'primevue/button'
import { say } from '../words'
import { computed, ref } from 'vue'
import { asRefused, call, type Refused, type Schema } from '../api/client'
import { settingName } from '../display/names'
import Problems from '../display/Problems.vue'
import { turnsText } from '../display/quantity'
import { newKey } from './outbox'
import { HANDLE } from './handle'
import RigLoad from './RigLoad.vue'
import RigScrew from './RigScrew.vue'
import type { Handles } from './useLive'

const props = defineProps<{
  runId: string
  handles: Handles
  current?: string
  /** a position as its lever is marked */ position: (valve: string, at: string) => string
}>()
const emit = defineEmits<{ moved: [now: Schema['LiveView']] }>()
const refused = ref<Refused | null>(null)
const told = ref('')
const busy = ref(false)
/** The screw at hand stands first: gauge and screw are to be seen together. */
const atHand = computed(() => Object.entries(props.handles.screws).filter(([id]) => id === props.current))
const others = computed(() => Object.entries(props.handles.screws).filter(([id]) => id !== props.current))
const ready = computed(() => props.handles.ready)
const STOPS: Record<string, string> = {
  thermal: say('run.rigPanel.the-oil-came-to'),
  overload: say('run.rigPanel.too-long-above-its'),
  'on-time': say('run.rigPanel.its-on-time-is'),
  suction: say('run.rigPanel.its-pump-ran-with'),
  case: say('run.rigPanel.its-pump-ran-with-2'),
  rotation: say('run.rigPanel.it-turns-against-the'),
  burst: say('run.rigPanel.a-line-came-above'),
}

async function act(action: string, target: string, value: number, at = '') {
  refused.value = null
  told.value = ''
  busy.value = true
  try {
    const answer = await call<Schema['RigAnswer']>('POST', `/api/runs/${props.runId}/rig`, {
      action,
      target,
      value,
      position: at,
      key: newKey(),
    })
    told.value = answer.told
    if (action === 'turn' && Math.abs(answer.made) < Math.abs(value) - 1e-6)
      told.value += say('run.rigPanel.is-at-its-end', settingName(target), turnsText(answer.made))
    emit('moved', answer.live)
  } catch (e) {
    refused.value = asRefused(e)
  } finally {
    busy.value = false
  }
}

function put(load: string, opening: number) {
  return act('open', load, opening)
}
</script>

<template>
  <section class="rig" :aria-label="say('run.rigPanel.practice-rig')" :aria-busy="busy">
    <p v-for="(cause, id) in handles.stops" :key="id" class="stopped" role="alert">
      <b>{{ say('run.rigPanel.stopped-by-itself', id) }}</b> {{ STOPS[cause] ?? cause }}
    </p>
    <p v-if="told" class="told" role="status">{{ told }}</p>
    <Problems :refused="refused" />
    <RigScrew v-for="[id, screw] in atHand" :id="id" :key="id" :tight="screw.nutTight" current @act="act" />
    <div class="row">
      <template v-for="(on, id) in handles.running" :key="id">
        <Button v-bind="HANDLE" :label="say('run.rigPanel.start', id)" class="start" :disabled="on" @click="act('start', String(id), 0)" />
        <Button v-bind="HANDLE" :label="say('run.rigPanel.stop', id)" class="stop" :disabled="!on" @click="act('stop', String(id), 0)" />
      </template>
      <Button v-bind="HANDLE" :label="say('run.rigPanel.let-min-pass')" @click="act('pass', '', 300)" />
    </div>
    <RigLoad v-for="(opening, id) in handles.openings" :id="String(id)" :key="id" :opening="opening" :put="put" />
    <div v-for="(valve, id) in handles.valves" :key="id" class="row" role="group" :aria-label="say('run.rigPanel.valve', id)">
      <b class="what">{{ id }}</b>
      <Button
        v-for="p in valve.positions"
        :key="p"
        v-bind="HANDLE"
        :label="position(String(id), p)"
        :aria-pressed="valve.at === p"
        :class="{ tight: valve.at === p }"
        @click="act('shift', String(id), 0, p)"
      />
    </div>
    <div v-for="(speed, id) in handles.speeds" :key="`n${id}`" class="row" role="group" :aria-label="say('run.rigPanel.speed', id)">
      <b class="what">{{ say('run.rigPanel.speed', id) }}</b>
      <Button
        v-for="rpm in speed.marked"
        :key="rpm"
        v-bind="HANDLE"
        :label="`${rpm}`"
        :aria-label="say('run.rigPanel.set-speed', id, rpm)"
        :aria-pressed="speed.at === rpm"
        :class="{ tight: speed.at === rpm }"
        @click="act('speed', String(id), rpm)"
      />
      {{ say('run.instruments.rpm') }}
    </div>
    <div v-for="(isOpen, id) in handles.vents" :key="`v${id}`" class="row">
      <b class="what">{{ say('run.rigPanel.vent', id) }}</b><Button
        v-bind="HANDLE"
        :label="isOpen ? say('run.rigPanel.open-close-it') : say('run.rigPanel.closed-open-it')"
        :aria-label="say(isOpen ? 'run.rigPanel.close-vent' : 'run.rigPanel.open-vent', id)"
        :aria-pressed="isOpen"
        :class="{ tight: isOpen }"
        @click="act('vent', String(id), isOpen ? 0 : 1)"
      />
    </div>
    <details v-if="others.length" :open="handles.wrong">
      <summary>{{ say(atHand.length ? 'run.rigPanel.other-screws' : 'run.rigPanel.screws', others.length) }}</summary>
      <div class="others">
        <RigScrew v-for="[id, screw] in others" :id="id" :key="id" :tight="screw.nutTight" @act="act" />
      </div>
    </details>
    <details v-if="ready">
      <summary>{{ say('run.rigPanel.locks-suction-cases-rotation') }}</summary>
      <div v-for="(on, id) in ready.lockedOut" :key="`l${id}`" class="row">
        <b class="what">{{ id }}</b><Button
          v-bind="HANDLE"
          :label="on ? say('run.rigPanel.locked-out-take-the') : say('run.rigPanel.lock-it-out')"
          :aria-pressed="on"
          @click="act('lock-out', String(id), on ? 0 : 1)"
        />
        <Button
          v-if="id in ready.rotationRight"
          v-bind="HANDLE"
          :label="say('run.rigPanel.change-two-phases')"
          @click="act('rotation', String(id), ready.rotationRight[id] ? 0 : 1)"
        />
      </div>
      <div v-for="(isOpen, id) in ready.suctionOpen" :key="`s${id}`" class="row">
        <b class="what">{{ say('run.rigPanel.suction', id) }}</b><Button
          v-bind="HANDLE"
          :label="isOpen ? say('run.rigPanel.open-shut-it') : say('run.rigPanel.shut-open-it')"
          :aria-pressed="isOpen"
          @click="act('suction', String(id), isOpen ? 0 : 1)"
        />
        <Button
          v-if="id in ready.caseFilled"
          v-bind="HANDLE"
          :label="ready.caseFilled[id] ? say('run.rigPanel.case-filled') : say('run.rigPanel.fill-its-case')"
          :disabled="ready.caseFilled[id]"
          @click="act('fill', String(id), 1)"
        />
      </div>
    </details>
  </section>
</template>

<style scoped>
.rig {
  display: grid;
  gap: 8px;
}
.others {
  display: grid;
  gap: 8px;
}
.row {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  align-items: center;
}
.what {
  min-width: 72px;
  font-size: 15px;
}
/* The handles of its screws too. */
.rig :deep(.p-button) {
  min-width: 44px;
  padding: 0 8px;
  background: var(--board);
}
.rig .start:not(:disabled) {
  border-color: var(--gate);
  color: var(--gate);
}
.rig .stop:not(:disabled) {
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
.rig .tight {
  border-style: double;
  border-width: 4px;
}
</style>
