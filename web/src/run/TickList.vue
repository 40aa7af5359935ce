<script setup lang="ts">
import Button from 'primevue/button'
import Checkbox from 'primevue/checkbox'
import { computed, ref } from 'vue'
import { say } from '../words'
import type { RunEvent, RunView } from './useRun'

/** The checks of a phase in one list: what is ticked, what is at hand, what comes. */
const props = defineProps<{ run: RunView; busy: boolean }>()
const emit = defineEmits<{ tick: []; send: [event: RunEvent] }>()
/** A tick that was not taken must not stand there as one. */
const tries = ref(0)
function tick() {
  tries.value++
  emit('tick')
}
const done = computed(() => props.run.ticks.filter((t) => t.state === 'done').length)
</script>

<template>
  <section v-if="run.ticks.length" class="ticks" :aria-label="say('run.tickList.checks')">
    <p class="small quiet">{{ say('run.tickList.done-of', done, run.ticks.length) }}</p>
    <ol>
      <li v-for="t in run.ticks" :key="t.step" :class="t.state" :aria-current="t.state === 'now' ? 'step' : undefined">
        <Checkbox
          :key="tries"
          :model-value="t.state === 'done'"
          binary
          :disabled="t.state !== 'now' || busy"
          :input-id="`tick-${t.step}`"
          @update:model-value="tick"
        />
        <label :for="`tick-${t.step}`">{{ t.number }} {{ t.action }}</label>
        <Button
          v-if="t.state === 'done'"
          :label="say('run.tickList.again')"
          :aria-label="say('run.tickList.do-again', t.number)"
          severity="secondary"
          text
          @click="emit('send', { kind: 'reopened', step: t.step })"
        />
      </li>
    </ol>
  </section>
</template>

<style scoped>
ol {
  list-style: none;
  margin: 4px 0 0;
  padding: 0;
}
li {
  display: flex;
  gap: 12px;
  align-items: center;
  min-height: 44px;
  padding: 2px 8px;
  border-left: 4px solid transparent;
}
li label {
  flex: 1;
}
.now {
  border-left-color: var(--gold);
  font-weight: 600;
}
.done label,
.ahead label {
  color: var(--quiet);
}
</style>
