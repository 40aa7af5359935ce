<script setup lang="ts">
import Button from 'primevue/button'
import { computed } from 'vue'
import { say } from '../words'
import type { RunEvent, RunView } from './useRun'

/** What was entered last, taken back: a reading, a turn or a note as a slip, a step that was done by going back to it. */
const props = defineProps<{ run: RunView; step: string }>()
const emit = defineEmits<{ send: [event: RunEvent] }>()

const back = computed<{ label: string; event: RunEvent } | undefined>(() => {
  const last = props.run.log.find((l) => !l.slip)
  if (last?.mayStrike) return { label: say('run.undoLast.undo', last.text), event: { kind: 'struck', step: props.step, wrong: last.seq } }
  const done = props.run.done[0]
  return done && last?.step === done.step && done.number === props.run.stepNumber - 1
    ? { label: say('run.undoLast.undo-done', done.number), event: { kind: 'reopened', step: done.step } }
    : undefined
})
</script>

<template>
  <Button v-if="back" class="undo" :label="back.label" severity="secondary" text @click="emit('send', back.event)" />
</template>

<style scoped>
.undo {
  justify-content: flex-start;
  padding: 0 8px;
  max-width: 100%;
}
.undo :deep(.p-button-label) {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
</style>
