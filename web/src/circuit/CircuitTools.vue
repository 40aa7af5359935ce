<script setup lang="ts">
import Button from 'primevue/button'
import Popover from 'primevue/popover'
import { nextTick, ref } from 'vue'
import { say } from '../words'
import type Circuit from './Circuit.vue'
import { download, png, svgText } from './exportSvg'
import { printAlone } from './printAlone'

/** Nearer, further, all of it, what its lines mean, and the picture as a file. */
const props = defineProps<{ of: InstanceType<typeof Circuit>; name: string }>()

/** The whole drawing, however near it is looked at. */
async function save(kind: 'svg' | 'png') {
  props.of.fit()
  await nextTick()
  const picture = props.of.picture
  if (!picture) return
  if (kind === 'svg') download(`${props.name}.svg`, 'image/svg+xml', svgText(picture))
  else download(`${props.name}.png`, 'image/png', await png(picture))
}

async function print() {
  props.of.fit()
  await nextTick()
  if (props.of.picture) printAlone(props.of.picture, props.name)
}

const legend = ref<InstanceType<typeof Popover>>()
const LINES = [
  { key: 'wire', text: say('circuit.legend.wire') },
  { key: 'wire under', text: say('circuit.legend.under') },
  { key: 'wire under high', text: say('circuit.legend.thick') },
  { key: 'pilot', text: say('circuit.legend.pilot') },
  { key: 'current', text: say('circuit.legend.current') },
  { key: 'fault', text: say('circuit.legend.fault') },
]
</script>

<template>
  <div class="tools no-print">
    <Button label="+" :aria-label="say('circuit.tools.nearer')" severity="secondary" outlined @click="of.zoom(1)" />
    <Button
      label="−"
      :aria-label="say('circuit.tools.further')"
      severity="secondary"
      outlined
      :disabled="!of.zoomed"
      @click="of.zoom(-1)"
    />
    <Button :label="say('circuit.tools.fit')" severity="secondary" outlined :disabled="!of.zoomed" @click="of.fit()" />
    <Button :label="say('circuit.tools.legend')" severity="secondary" outlined aria-haspopup="dialog" @click="(e) => legend?.toggle(e)" />
    <Button :label="say('circuit.tools.svg')" severity="secondary" text @click="save('svg')" />
    <Button :label="say('circuit.tools.print')" severity="secondary" text @click="print" />
    <Button :label="say('circuit.tools.png')" severity="secondary" text @click="save('png')" />
  </div>
  <Popover ref="legend">
    <ul class="legend">
      <li v-for="l in LINES" :key="l.key">
        <svg viewBox="0 0 60 16" width="60" height="16" aria-hidden="true"><path d="M 2 8 H 58" :class="l.key" /></svg>
        {{ l.text }}
      </li>
      <li>
        <svg viewBox="0 0 60 16" width="60" height="16" aria-hidden="true">
          <path d="M 2 8 H 58" class="wire" />
          <circle cx="30" cy="8" r="3.5" class="dot" />
        </svg>
        {{ say('circuit.legend.dot') }}
      </li>
      <li>
        <b class="mark">RV1 ◆</b>
        {{ say('circuit.legend.holds') }}
      </li>
      <li>
        <svg viewBox="0 0 60 16" width="60" height="16" class="circuit" aria-hidden="true">
          <path d="M 2 8 H 58" class="wire under high" />
          <path d="M 2 8 H 58" class="flow" />
        </svg>
        {{ say('circuit.legend.runs') }}
      </li>
    </ul>
  </Popover>
</template>

<style scoped>
.tools {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
}
.legend {
  list-style: none;
  margin: 0;
  padding: 4px;
  display: grid;
  gap: 8px;
  max-width: 420px;
}
.legend li {
  display: flex;
  gap: 12px;
  align-items: center;
}
.legend svg {
  flex: none;
}
.mark {
  width: 60px;
}
path {
  fill: none;
  stroke: var(--ink);
  stroke-width: 2;
}
.under {
  stroke: var(--water);
}
.high {
  stroke-width: 7;
}
.pilot {
  stroke: var(--gate);
  stroke-width: 1.5;
  stroke-dasharray: 6 4;
}
.current {
  stroke: var(--gold);
  stroke-width: 5;
}
.fault {
  stroke: var(--stop);
  stroke-width: 4;
  stroke-dasharray: 5 3;
}
.dot {
  fill: var(--ink);
}
</style>
