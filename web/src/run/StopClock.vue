<script setup lang="ts">
import Button from 'primevue/button'
import { computed, onUnmounted, ref, watch } from 'vue'
import { say } from '../words'

/** A stop-watch at the place where its time is written down. Beside a practice machine it goes by the machine's own time. */
const props = defineProps<{ machineS?: number; /** how long is waited, s */ of?: number }>()
const emit = defineEmits<{ stopped: [seconds: number] }>()

const from = ref<number>()
// The wall clock: it goes on while a tablet sleeps.
const wall = ref(0)
let ticking: ReturnType<typeof setInterval> | undefined
const now = computed(() => props.machineS ?? wall.value)
const seconds = computed(() => (from.value === undefined ? 0 : Math.max(0, now.value - from.value)))

function tick() {
  wall.value = Date.now() / 1000
}

function halt() {
  clearInterval(ticking)
  from.value = undefined
}

function tap() {
  tick()
  if (from.value === undefined) {
    from.value = now.value
    ticking = setInterval(tick, 100)
  } else {
    const took = Math.round(seconds.value * 10) / 10
    halt()
    emit('stopped', took)
  }
}

// Two clocks make no time.
watch(() => props.machineS === undefined, halt)
onUnmounted(halt)
</script>

<template>
  <Button
    :label="from === undefined ? say('run.stopClock.start') : say('run.stopClock.stop', seconds.toFixed(1))"
    :severity="from === undefined ? 'secondary' : undefined"
    :outlined="from === undefined"
    class="clock"
    @click="tap"
  />
  <span v-if="of && from !== undefined" class="quiet">{{ say('run.stopClock.of', of) }}</span>
</template>

<style scoped>
.clock {
  min-width: 130px;
  font-variant-numeric: tabular-nums;
}
</style>
