<script setup lang="ts">
import Button from 'primevue/button'
import { computed, ref } from 'vue'
import type { Schema } from '../api/client'
import { useDisplay } from '../display/display'
import { say } from '../words'
import LeaveSo from './LeaveSo.vue'
import type { RunEvent, RunView } from './useRun'

/** What else can be done at a step than the likely thing. */
const props = defineProps<{
  run: RunView
  step: Schema['StepView']
  /** what stood before a fall that was found */
  crackedAt?: number
  mayMark: boolean
  send: (event: RunEvent) => Promise<boolean | undefined>
}>()
const display = useDisplay()
const leaving = ref(false)
const failed = computed(() => props.run.readings.some((r) => r.grade !== 'pass'))
/** Marked by hand first, and found after that: both are kept. */
const foundToo = computed(() => props.run.crack?.tappedBar != null && props.run.crack.foundBar == null && props.crackedAt !== undefined)
</script>

<template>
  <Button
    v-if="mayMark"
    :label="say('run.stepCard.i-hear-it-mark')"
    severity="secondary"
    outlined
    @click="send({ kind: 'tap-crack', step: step.id })"
  />
  <Button
    v-if="foundToo"
    :label="say('run.stepCard.take-as-crack-point', display.show(crackedAt ?? 0))"
    severity="secondary"
    outlined
    @click="send({ kind: 'take-crack', step: step.id })"
  />
  <Button
    v-if="run.wayBack"
    :label="say('run.stepCard.back-to-step', run.wayBack.number)"
    :title="run.wayBack.action"
    severity="secondary"
    outlined
    @click="send({ kind: 'reopened', step: run.wayBack.step })"
  />
  <Button
    v-if="run.readings.length && failed"
    :label="say('run.stepCard.begin-this-step-again')"
    severity="secondary"
    outlined
    @click="send({ kind: 'again', step: step.id })"
  />
  <Button
    v-if="run.mayDeviate && !leaving"
    :label="say('run.stepCard.leave-it-so-with')"
    severity="secondary"
    outlined
    @click="leaving = true"
  />
  <LeaveSo v-if="leaving && run.mayDeviate" class="leave" :run="run" :step="step.id" :send="send" @left="leaving = false" />
</template>

<style scoped>
.leave {
  flex-basis: 100%;
}
</style>
