<script setup lang="ts">
import type { Schema } from '../api/client'
import { say } from '../words'

/** What it means if the reading doesn't come, and what to mind. */
defineProps<{ step: Schema['StepView'] }>()
</script>

<template>
  <section v-if="step.ifNot.length || step.cautions.length" class="card notes">
    <div v-if="step.ifNot.length">
      <b>{{ say('run.stepCard.if-the-reading-does') }}</b>
      <ul>
        <li v-for="t in step.ifNot" :key="t">{{ t }}</li>
      </ul>
    </div>
    <div v-if="step.cautions.length">
      <b>{{ say('run.stepCard.mind') }}</b>
      <ul>
        <li v-for="t in step.cautions" :key="t">{{ t }}</li>
      </ul>
    </div>
  </section>
</template>

<style scoped>
.notes {
  display: grid;
  gap: 10px;
  padding: 10px 18px;
}
ul {
  margin: 4px 0 0;
  padding-left: 20px;
}
</style>
