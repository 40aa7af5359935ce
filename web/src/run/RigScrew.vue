<script setup lang="ts">
import Button from 'primevue/button'
import { say } from '../words'
import { settingName } from '../display/names'
import { turnsText } from '../display/quantity'
import { HANDLE } from './handle'

/** One screw of the practice rig with its jam nut. */
defineProps<{ id: string; tight: boolean; current?: boolean }>()
const emit = defineEmits<{ act: [action: string, target: string, value: number] }>()
const TURNS = [-1, -0.25, -0.0625, 0.0625, 0.25, 1]
</script>

<template>
  <div class="screw" :class="{ current }" role="group" :aria-label="say('run.rigScrew.screw-of', settingName(id))">
    <div class="row">
      <b>{{ settingName(id) }}</b>
      <span v-if="current" class="quiet small">{{ say('run.rigScrew.in-raises') }}</span>
      <span class="gap"></span>
      <Button
        v-bind="HANDLE"
        :label="tight ? say('run.rigScrew.nut-tight') : say('run.rigScrew.nut-slack')"
        :aria-pressed="tight"
        :class="{ tight }"
        @click="emit('act', 'nut', id, tight ? 0 : 1)"
      />
    </div>
    <div class="turns">
      <Button
        v-for="t in TURNS"
        :key="t"
        v-bind="HANDLE"
        :label="`${t > 0 ? '↻' : '↺'} ${turnsText(t)}`"
        :aria-label="
          say('run.rigScrew.turn', settingName(id), turnsText(t), t > 0 ? say('run.turnEntry.inward') : say('run.turnEntry.outward'))
        "
        @click="emit('act', 'turn', id, t)"
      />
    </div>
  </div>
</template>

<style scoped>
.row {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  align-items: center;
}
.screw .tight {
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
.turns :deep(.p-button) {
  padding: 0;
  font-size: 15px;
  white-space: nowrap;
}
</style>
