<script setup lang="ts">
import Button from 'primevue/button'
import { say } from '../words'
import { HANDLE } from './handle'

/** One load valve of the practice rig. */
const props = defineProps<{
  id: string
  /** 0 shut to 1 fully open */ opening: number
  put: (load: string, opening: number) => Promise<void>
}>()
/** Where it was told to go and has not answered from yet: the next tap counts from there. */
let asked: number | undefined

async function to(opening: number) {
  const wanted = Math.round(Math.max(0, Math.min(1, opening)) * 1000) / 1000
  asked = wanted
  await props.put(props.id, wanted)
  if (asked === wanted) asked = undefined
}

function by(step: number) {
  void to((asked ?? props.opening) + step)
}
</script>

<template>
  <div class="load">
    <b class="what">{{ id }} {{ (opening * 100).toFixed(1) }} %</b>
    <Button v-bind="HANDLE" :label="say('run.rigPanel.shut-2')" :aria-label="say('run.rigPanel.shut', id)" @click="to(0)" />
    <Button v-bind="HANDLE" label="−1" :aria-label="say('run.rigPanel.close-by', id)" @click="by(-0.01)" />
    <Button v-bind="HANDLE" label="−.1" :aria-label="say('run.rigPanel.close-by-2', id)" @click="by(-0.001)" />
    <Button v-bind="HANDLE" label="+.1" :aria-label="say('run.rigPanel.open-by', id)" @click="by(0.001)" />
    <Button v-bind="HANDLE" label="+1" :aria-label="say('run.rigPanel.open-by-2', id)" @click="by(0.01)" />
    <Button v-bind="HANDLE" label="+10" :aria-label="say('run.rigPanel.open-by-3', id)" @click="by(0.1)" />
    <Button v-bind="HANDLE" :label="say('run.rigPanel.open')" :aria-label="say('run.rigPanel.open-fully', id)" @click="to(1)" />
  </div>
</template>

<style scoped>
.load {
  display: flex;
  flex-wrap: wrap;
  gap: 4px;
  align-items: center;
}
.what {
  flex-basis: 100%;
  font-size: 15px;
}
</style>
