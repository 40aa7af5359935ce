<script setup lang="ts">
import Button from 'primevue/button'
import Select from 'primevue/select'
import type { UnitFile } from '../../units/unitFile'
import { say } from '../../words'
import { linesOf } from './circuit'
import RenameRow from './RenameRow.vue'
import type { Change } from './useRedraw'

/** What can be done to a gauge: its fields, another line, another name. */
defineProps<{ unit: UnitFile; id: string; line: string }>()
const emit = defineEmits<{ change: [change: Change]; fields: [] }>()
</script>

<template>
  <div class="buttons">
    <Button :label="say('pointing.part.fields')" @click="emit('fields')" />
    <Button :label="say('pointing.part.take-out')" severity="secondary" outlined @click="emit('change', { kind: 'remove', subject: id })" />
  </div>
  <h3>{{ say('pointing.gauge.line') }}</h3>
  <Select
    :model-value="line"
    :options="linesOf(unit)"
    :aria-label="say('pointing.gauge.line')"
    @update:model-value="(to: string) => to !== line && emit('change', { kind: 'move', subject: id, end: 'line', to })"
  />
  <h3>{{ say('pointing.rename.name') }}</h3>
  <RenameRow :id="id" @renamed="(to) => emit('change', { kind: 'rename', subject: id, to })" />
</template>

<style scoped>
.buttons {
  display: flex;
  gap: 8px;
}
h3 {
  margin: 14px 0 6px;
}
</style>
