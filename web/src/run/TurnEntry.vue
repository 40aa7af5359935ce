<script setup lang="ts">
import { say } from '../words'
import Button from 'primevue/button'
import Select from 'primevue/select'
import { computed, ref } from 'vue'
import type { Schema } from '../api/client'
import { settingName } from '../display/names'
import { turnsText } from '../display/quantity'
import type { RunEvent } from './useRun'

/** Turns as they were really made at a machine: not only as advised, and of any screw. */
const props = defineProps<{ step: Schema['StepView']; advised: number; screws: string[] }>()
const emit = defineEmits<{ made: [event: RunEvent] }>()

const WHOLE = Array.from({ length: 16 }, (_, i) => ({ label: String(i), value: i }))
const PART = Array.from({ length: 16 }, (_, i) => ({ label: i ? turnsText(i / 16) : '0', value: i / 16 }))
const open = ref(false)
const whole = ref(0)
const part = ref(0)
const screw = ref(props.step.setting ?? props.screws[0] ?? '')
const toTheEnd = computed(() => props.step.way === 'to-the-end')
const turns = computed(() => whole.value + part.value)
const inward = computed(() => props.advised > 0)

function made(sign: number) {
  emit('made', { kind: 'turned', step: props.step.id, setting: screw.value, turns: sign * turns.value })
  whole.value = 0
  part.value = 0
}
</script>

<template>
  <div class="entry">
    <Button
      v-if="advised && !toTheEnd"
      :label="
        say('run.turnEntry.turned-as-advised', turnsText(advised), advised > 0 ? say('run.turnEntry.inward') : say('run.turnEntry.outward'))
      "
      outlined
      @click="emit('made', { kind: 'turned', step: step.id, setting: step.setting ?? '', turns: advised })"
    />
    <Button
      v-if="!toTheEnd"
      :label="open ? say('run.turnEntry.not-now') : say('run.turnEntry.turned-otherwise')"
      severity="secondary"
      outlined
      @click="open = !open"
    />
    <div v-if="open || toTheEnd" class="row" role="group" :aria-label="say('run.turnEntry.turns-made')">
      <Select
        v-if="!toTheEnd"
        v-model="screw"
        :options="screws"
        :option-label="(s: string) => settingName(s)"
        :aria-label="say('run.turnEntry.screw')"
      />
      <Select v-model="whole" :options="WHOLE" option-label="label" option-value="value" :aria-label="say('run.turnEntry.whole-turns')" />
      <Select v-model="part" :options="PART" option-label="label" option-value="value" :aria-label="say('run.turnEntry.part-of-a-turn')" />
      <template v-if="toTheEnd">
        <Button
          :label="say('run.turnEntry.and-it-is-at', turnsText(turns), inward ? say('run.turnEntry.inward') : say('run.turnEntry.outward'))"
          @click="made(inward ? 1 : -1)"
        />
      </template>
      <template v-else>
        <Button :label="say('run.turnEntry.in')" :disabled="!turns" outlined @click="made(1)" />
        <Button :label="say('run.turnEntry.out')" :disabled="!turns" outlined @click="made(-1)" />
      </template>
    </div>
  </div>
</template>

<style scoped>
.entry {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  margin-top: 6px;
}
.row {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
}
</style>
