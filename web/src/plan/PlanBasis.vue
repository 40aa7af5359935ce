<script setup lang="ts">
import { say } from '../words'
import Panel from 'primevue/panel'
import type { Schema } from '../api/client'

/** What to bring, why this order, and what the auditor found. */
defineProps<{ plan: Schema['PlanView'] }>()
</script>

<template>
  <p class="audit">
    <b>{{ say('plan.planBasis.audit') }}</b> {{ plan.audit.said }}
  </p>
  <div class="basis">
    <Panel :header="say('plan.planBasis.bring', plan.bring.people, Math.round(plan.bring.minutes))" toggleable collapsed>
      <ul>
        <li v-for="t in plan.bring.tools" :key="t">{{ t }}</li>
        <li v-for="t in plan.bring.gauges" :key="t">{{ t }}</li>
        <li v-for="t in plan.bring.gear" :key="t">{{ t }}</li>
      </ul>
    </Panel>
    <Panel :header="say('plan.planBasis.order')" toggleable collapsed>
      <ol>
        <li v-for="t in plan.order" :key="t">{{ t }}</li>
      </ol>
    </Panel>
  </div>
</template>

<style scoped>
.audit {
  margin: 0;
}
.basis {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 12px;
  align-items: start;
}
ul,
ol {
  margin: 0;
  padding-left: 22px;
}
</style>
