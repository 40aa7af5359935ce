<script setup lang="ts">
import type { Schema } from '../api/client'
import { settingName } from '../display/names'

defineProps<{ step: Schema['StepView'] }>()
</script>

<template>
  <div class="detail">
    <p v-if="step.why" class="why">{{ step.why }}</p>
    <dl>
      <template v-if="step.inControl"
        ><dt>Who has the gauge</dt>
        <dd>
          <b>{{ settingName(step.inControl) }}</b>
        </dd></template
      >
      <template v-for="e in step.expect" :key="e.testPoint">
        <dt>{{ e.testPoint === 'OIL' ? 'Oil' : e.testPoint }} must show</dt>
        <dd>
          <b>{{ e.low }} to {{ e.high }} {{ e.reads }}</b
          ><span class="quiet">, model {{ e.value }} {{ e.reads }}</span>
        </dd>
      </template>
      <template v-if="step.tool"
        ><dt>Tool</dt>
        <dd>{{ step.tool }}</dd></template
      >
      <dt>Takes</dt>
      <dd>{{ step.minutes }} min, {{ step.people === 1 ? 'one person' : `${step.people} people` }}</dd>
    </dl>
    <slot></slot>
    <div v-if="step.ifNot.length">
      <b>If not</b>
      <ul>
        <li v-for="t in step.ifNot" :key="t">{{ t }}</li>
      </ul>
    </div>
    <div v-if="step.cautions.length" class="mind">
      <b>▲ Mind</b>
      <ul>
        <li v-for="t in step.cautions" :key="t">{{ t }}</li>
      </ul>
    </div>
  </div>
</template>

<style scoped>
.detail {
  display: grid;
  gap: 10px;
}
.why {
  font-size: 17px;
}
dl {
  display: grid;
  grid-template-columns: max-content 1fr;
  gap: 4px 14px;
  margin: 0;
}
dt {
  color: var(--quiet);
}
dd {
  margin: 0;
}
ul {
  margin: 4px 0 0;
  padding-left: 20px;
}
.mind {
  border-left: 6px solid var(--gold);
  padding-left: 12px;
}
</style>
