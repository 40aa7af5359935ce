<script setup lang="ts">
import { say } from '../words'
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import Select from 'primevue/select'
import { computed, ref } from 'vue'
import { useDisplay } from '../display/display'
import { withUnit } from '../display/units'
import { settingName } from '../display/names'
import type { RunEvent, RunView } from './useRun'
import { useKept } from './kept'
import AttachHere from './AttachHere.vue'
import TurnEntry from './TurnEntry.vue'

/** What belongs to any step: the oil typed again, things written down, turns nobody advised, a way back, slips named. */
const props = defineProps<{ run: RunView; step: string; typed: boolean }>()
const emit = defineEmits<{ send: [event: RunEvent]; changed: [] }>()

const display = useDisplay()
const oil = useKept(`oil-${props.run.uuid}`)
const free = useKept(`note-${props.run.uuid}-${props.step}`)
const back = ref<string>()
const screw = computed(() => props.run.screws.find((s) => s.setting === props.run.step?.setting))
const OIL: Record<string, string> = {
  ok: say('run.stepAside.in-its-band'),
  cold: say('run.stepAside.below-its-band'),
  hot: say('run.stepAside.above-its-band-let'),
  stale: say('run.stepAside.read-more-than-min'),
  unknown: say('run.stepAside.not-read-yet'),
}
const stateText = computed(() => OIL[props.run.oil.state] ?? '')

function keepOil() {
  emit('send', { kind: 'reading', step: props.step, instrument: 'OIL', text: withUnit(oil.value, display.degrees) })
  oil.value = ''
}

function note() {
  if (free.value.trim()) emit('send', { kind: 'noted', step: props.step, note: '', text: free.value })
  free.value = ''
}
</script>

<template>
  <section class="aside">
    <div v-if="typed" class="row">
      <label for="oil"
        >{{ say('run.stepAside.oil') }} <b v-if="run.oil.c !== undefined && run.oil.c !== null">{{ display.temperature(run.oil.c, 1) }}</b>
        <span class="small">{{ stateText }}</span></label
      >
      <InputText id="oil" v-model="oil" inputmode="decimal" size="small" @keydown.enter.prevent="keepOil" />
      <span class="quiet">{{ display.degrees }}</span>
      <Button :label="say('run.stepAside.keep-oil')" severity="secondary" outlined :disabled="!oil" @click="keepOil" />
    </div>
    <details>
      <summary>{{ say('run.stepAside.write-something-down-name', typed ? say('run.stepAside.enter-a-turn') : '') }}</summary>
      <div class="row">
        <label for="free">{{ say('run.stepAside.note') }}</label>
        <InputText id="free" v-model="free" maxlength="400" class="wide" />
        <Button :label="say('run.stepAside.write-down')" severity="secondary" outlined :disabled="!free" @click="note" />
      </div>
      <AttachHere :run="run.id" :step="step" @attached="emit('changed')" />
      <div v-if="typed && run.step && !run.advice" class="row">
        <span>{{ say('run.stepAside.a-screw-was-turned') }}</span>
        <TurnEntry :step="run.step" :advised="0" :screws="run.screws.map((s) => s.setting)" @made="(e) => emit('send', e)" />
      </div>
      <div v-if="screw && (screw.learned || screw.knownFrom)" class="row">
        <span>{{ say('run.stepAside.what-its-screw-taught', settingName(screw.setting), screw.knownFrom) }}</span>
        <Button
          :label="say('run.stepAside.it-was-replaced')"
          severity="secondary"
          outlined
          @click="emit('send', { kind: 'replaced', step, setting: screw.setting })"
        />
      </div>
      <div v-for="l in run.log.filter((x) => x.mayStrike)" :key="l.seq" class="row">
        <span>{{ l.text }}</span>
        <Button
          :label="say('run.stepAside.that-was-a-slip')"
          severity="secondary"
          outlined
          @click="emit('send', { kind: 'struck', step, wrong: l.seq })"
        />
      </div>
      <div v-if="run.done.length" class="row">
        <Select
          v-model="back"
          :options="run.done"
          :option-label="(d) => `${d.number} ${d.action}`"
          option-value="step"
          :placeholder="say('run.stepAside.a-step-that-was')"
          class="wide"
          :aria-label="say('run.stepAside.step-to-go-back')"
        />
        <Button
          :label="say('run.stepAside.go-back-to-it')"
          severity="secondary"
          outlined
          :disabled="!back"
          @click="emit('send', { kind: 'reopened', step: back })"
        />
      </div>
      <p class="small quiet">{{ say('run.stepAside.what-was-turned-or') }}</p>
    </details>
  </section>
</template>

<style scoped>
.aside {
  display: grid;
  gap: 8px;
  border-top: 1px solid var(--rule);
}
.row {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
  padding: 2px 0;
}
.wide {
  flex: 1;
  min-width: 0;
}
</style>
