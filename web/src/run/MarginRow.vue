<script setup lang="ts">
import { computed } from 'vue'
import type { Schema } from '../api/client'
import Verdict from '../display/Verdict.vue'
import { say } from '../words'
import type { RunView } from './useRun'

/** One gauge less another: what it must be, and what it is as soon as both are read, in the gauge's unit. */
const props = defineProps<{ goal: Schema['GoalView']; readings: RunView['readings'] }>()

const difference = computed(() => {
  const upper = props.readings.find((r) => r.instrument === props.goal.testPoint)
  const lower = props.readings.find((r) => r.instrument === props.goal.minus)
  return upper && lower ? { value: Math.round((upper.value - lower.value) * 10) / 10, grade: upper.grade } : undefined
})
</script>

<template>
  <p class="difference">
    <b>{{ goal.testPoint }} − {{ goal.minus }}</b> {{ say('run.stepCard.must-be') }}
    <b>{{ say('run.stepCard.to', goal.low, goal.high, goal.reads) }}</b>
    <template v-if="difference">
      · <Verdict :grade="difference.grade" /> <b class="figure">{{ difference.value }} {{ goal.reads }}</b></template
    >
  </p>
</template>

<style scoped>
.difference {
  border-top: 1px solid var(--rule);
  padding-top: 8px;
}
.figure {
  font-size: 23px;
  line-height: 1.25;
}
</style>
