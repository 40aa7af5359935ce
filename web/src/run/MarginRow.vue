<script setup lang="ts">
import Button from 'primevue/button'
import { computed, ref } from 'vue'
import { asRefused, call, type Refused, type Schema } from '../api/client'
import Problems from '../display/Problems.vue'
import { fromBar, type PressureUnit } from '../display/quantity'
import Verdict from '../display/Verdict.vue'
import { say } from '../words'
import { newKey } from './outbox'
import type { LiveView } from './useLive'
import type { RunEvent, RunView } from './useRun'

/** One gauge less another: what it must be, what it is, and the way back to what it was before its screw was touched. */
const props = defineProps<{ goal: Schema['GoalView']; run: RunView; step: Schema['StepView']; live?: LiveView }>()
const emit = defineEmits<{ made: [event: RunEvent] }>()
const refused = ref<Refused | null>(null)

const taken = computed(() => {
  const upper = props.run.readings.find((r) => r.instrument === props.goal.testPoint)
  const lower = props.run.readings.find((r) => r.instrument === props.goal.minus)
  return upper && lower ? { value: Math.round((upper.value - lower.value) * 10) / 10, grade: upper.grade } : undefined
})
/** What both gauges show this moment. */
const now = computed(() => {
  const upper = props.live?.gauges[props.goal.testPoint]
  const lower = props.live?.gauges[props.goal.minus ?? '']
  return upper && lower ? fromBar(upper.bar - lower.bar, props.goal.reads as PressureUnit).toFixed(1) : undefined
})
const screw = computed(() => props.run.screws.find((s) => s.setting === props.step.setting))

async function undo() {
  const s = screw.value
  if (!s) return
  refused.value = null
  if (!props.run.practice) {
    emit('made', { kind: 'turned', step: props.step.id, setting: s.setting, turns: s.undo })
    return
  }
  try {
    const action = { action: 'turn', target: s.setting, value: s.undo, position: '', key: newKey() }
    await call('POST', `/api/runs/${props.run.id}/rig`, action)
  } catch (e) {
    refused.value = asRefused(e)
  }
}
</script>

<template>
  <div class="difference">
    <p>
      <b>{{ goal.testPoint }} − {{ goal.minus }}</b> {{ say('run.stepCard.must-be') }}
      <b>{{ say('run.stepCard.to', goal.low, goal.high, goal.reads) }}</b>
      <template v-if="taken">
        · <Verdict :grade="taken.grade" /> <b class="figure">{{ taken.value }} {{ goal.reads }}</b></template
      >
    </p>
    <p v-if="now !== undefined" class="now">
      <span class="quiet small">{{ say('run.marginRow.now') }}</span> <span class="live">{{ now }}</span> {{ goal.reads }}
    </p>
    <div v-if="screw?.undoText && step.kind === 'set'" class="undo">
      <Button
        :label="say('run.marginRow.as-it-was', screw.undoText, screw.undo > 0 ? say('run.turnEntry.inward') : say('run.turnEntry.outward'))"
        severity="secondary"
        outlined
        @click="undo"
      />
      <span class="small quiet">{{ say('run.marginRow.before-it-was-touched') }}</span>
    </div>
    <Problems :refused="refused" />
  </div>
</template>

<style scoped>
.difference {
  border-top: 1px solid var(--rule);
  padding-top: 8px;
  display: grid;
  gap: 4px;
}
.figure {
  font-size: 23px;
  line-height: 1.25;
}
.now {
  font-size: 20px;
}
.now .live {
  font-size: 48px;
  line-height: 1.05;
}
.undo {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  align-items: center;
}
</style>
