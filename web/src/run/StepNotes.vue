<script setup lang="ts">
import type { Schema } from '../api/client'
import { say } from '../words'

/** Why a step is done, what to mind, and what it means if the reading doesn't come. */
defineProps<{ step: Schema['StepView'] }>()
</script>

<template>
  <p v-if="step.why">{{ step.why }}</p>
  <ul v-if="step.cautions.length" class="cautions" :aria-label="say('run.stepCard.mind')">
    <li v-for="t in step.cautions" :key="t">▲ {{ t }}</li>
  </ul>
  <div v-if="step.ifNot.length">
    <b>{{ say('run.stepCard.if-the-reading-does') }}</b>
    <ul class="if-not">
      <li v-for="t in step.ifNot" :key="t">{{ t }}</li>
    </ul>
  </div>
</template>

<style scoped>
.cautions {
  border-left: 6px solid var(--gold);
  padding: 2px 12px;
  margin: 0;
  list-style: none;
}
.if-not {
  margin: 4px 0 0;
  padding-left: 20px;
}
</style>
