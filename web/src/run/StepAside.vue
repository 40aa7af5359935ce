<script setup lang="ts">
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import Select from 'primevue/select'
import { computed, ref } from 'vue'
import type { RunEvent, RunView } from './useRun'
import { useKept } from './kept'
import TurnEntry from './TurnEntry.vue'

/** What belongs to any step: the oil typed again, things written down, turns nobody advised, a way back, slips named. */
const props = defineProps<{ run: RunView; step: string; typed: boolean }>()
const emit = defineEmits<{ send: [event: RunEvent] }>()

const oil = useKept(`oil-${props.run.uuid}`)
const notes = ref<Record<string, string>>(Object.fromEntries(props.run.noted.map((n) => [n.key, n.text])))
const free = useKept(`note-${props.run.uuid}-${props.step}`)
const back = ref<string>()
const asked = computed(() => props.run.step?.notes ?? [])
const OIL: Record<string, string> = {
  ok: '● in its band',
  cold: '▼ below its band',
  hot: '▲ above its band: let it cool',
  stale: '◆ read more than 15 min ago',
  unknown: '◇ not read yet',
}
const stateText = computed(() => OIL[props.run.oil.state] ?? '')

function keepOil() {
  emit('send', { kind: 'reading', step: props.step, instrument: 'OIL', text: oil.value })
  oil.value = ''
}

function note(key: string, text: string) {
  if (text.trim()) emit('send', { kind: 'noted', step: props.step, note: key, text })
  if (!key) free.value = ''
}
</script>

<template>
  <section class="card aside">
    <div v-for="n in asked" :key="n.key" class="row">
      <label :for="n.key">{{ n.label }}</label>
      <InputText :id="n.key" v-model="notes[n.key]" maxlength="200" @keydown.enter.prevent="note(n.key, notes[n.key] ?? '')" />
      <Button label="Write down" severity="secondary" outlined @click="note(n.key, notes[n.key] ?? '')" />
      <span v-if="run.noted.some((x) => x.key === n.key)" class="chip pass">✔ kept</span>
    </div>
    <div v-if="typed" class="row">
      <label for="oil"
        >Oil <b v-if="run.oil.c !== undefined && run.oil.c !== null">{{ run.oil.c }} °C</b>
        <span class="small">{{ stateText }}</span></label
      >
      <InputText id="oil" v-model="oil" inputmode="decimal" size="small" @keydown.enter.prevent="keepOil" />
      <span class="quiet">°C</span>
      <Button label="Keep oil" severity="secondary" outlined :disabled="!oil" @click="keepOil" />
    </div>
    <details>
      <summary>Write something down, {{ typed ? 'enter a turn, ' : '' }}name a slip, or go back</summary>
      <div class="row">
        <label for="free">Note</label>
        <InputText id="free" v-model="free" maxlength="400" class="wide" />
        <Button label="Write down" severity="secondary" outlined :disabled="!free" @click="note('', free)" />
      </div>
      <div v-if="typed && run.step && !run.advice" class="row">
        <span>A screw was turned in this step</span>
        <TurnEntry :step="run.step" :advised="0" :screws="run.screws.map((s) => s.setting)" @made="(e) => emit('send', e)" />
      </div>
      <div v-for="l in run.log.filter((x) => x.mayStrike)" :key="l.seq" class="row">
        <span>{{ l.text }}</span>
        <Button label="That was a slip" severity="secondary" outlined @click="emit('send', { kind: 'struck', step, wrong: l.seq })" />
      </div>
      <div v-if="run.done.length" class="row">
        <Select
          v-model="back"
          :options="run.done"
          :option-label="(d) => `${d.number} ${d.action}`"
          option-value="step"
          placeholder="A step that was done"
          class="wide"
          aria-label="Step to go back to"
        />
        <Button
          label="Go back to it"
          severity="secondary"
          outlined
          :disabled="!back"
          @click="emit('send', { kind: 'reopened', step: back })"
        />
      </div>
      <p class="small quiet">What was turned or read after it is to be done again; everything stays in the log.</p>
    </details>
  </section>
</template>

<style scoped>
.aside {
  display: grid;
  gap: 8px;
  padding: 8px 18px;
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
summary {
  min-height: 44px;
  display: flex;
  align-items: center;
  cursor: pointer;
}
</style>
