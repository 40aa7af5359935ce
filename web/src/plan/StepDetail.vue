<script setup lang="ts">
import { say } from '../words'
import type { Schema } from '../api/client'
import { settingName } from '../display/names'

defineProps<{ step: Schema['StepView'] }>()
</script>

<template>
  <div class="detail">
    <p v-if="step.why" class="why">{{ step.why }}</p>
    <dl>
      <template v-if="step.inControl"
        ><dt>{{ say('plan.stepDetail.who-has-the-gauge') }}</dt>
        <dd>
          <b>{{ settingName(step.inControl) }}</b>
        </dd></template
      >
      <template v-for="e in step.expect" :key="e.testPoint">
        <dt>{{ say('plan.stepDetail.must-show', e.testPoint === 'OIL' ? say('plan.stepDetail.oil') : e.testPoint) }}</dt>
        <dd v-if="step.demand === 'as-found'">{{ say('plan.stepDetail.as-it-comes', e.value, e.reads) }}</dd>
        <dd v-else>
          <b>{{ say('plan.stepDetail.to', e.low, e.high, e.reads) }}</b><span class="quiet">{{
            say('plan.stepDetail.model', e.value, e.reads)
          }}</span>
        </dd>
      </template>
      <template v-if="step.tool"
        ><dt>{{ say('plan.stepDetail.tool') }}</dt>
        <dd>{{ step.tool }}</dd></template
      >
      <dt>{{ say('plan.stepDetail.takes') }}</dt>
      <dd>
        {{
          step.people === 1
            ? say('plan.stepDetail.minutes-one-person', step.minutes)
            : say('plan.stepDetail.minutes-people', step.minutes, step.people)
        }}
      </dd>
    </dl>
    <slot></slot>
    <div v-if="step.ifNot.length">
      <b>{{ say('plan.stepDetail.if-not') }}</b>
      <ul>
        <li v-for="t in step.ifNot" :key="t">{{ t }}</li>
      </ul>
    </div>
    <div v-if="step.cautions.length" class="mind">
      <b>{{ say('plan.stepDetail.mind') }}</b>
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
