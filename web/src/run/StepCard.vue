<script setup lang="ts">
import Button from 'primevue/button'
import { computed, nextTick, onBeforeUnmount, onMounted, ref } from 'vue'
import type { Refused, Schema } from '../api/client'
import { useDisplay } from '../display/display'
import { settingName } from '../display/names'
import { PRESSURE_UNITS, pressureNumber, toBar, type PressureUnit } from '../display/quantity'
import Problems from '../display/Problems.vue'
import ReadingRow from './ReadingRow.vue'
import Trace from './Trace.vue'
import type { LiveView } from './useLive'
import type { RunEvent, RunView } from './useRun'

const props = defineProps<{
  run: RunView
  step: Schema['StepView']
  live?: LiveView
  trace: Record<string, { t: number; bar: number }[]>
  refused: Refused | null
  send: (event: RunEvent) => Promise<boolean>
}>()

const display = useDisplay()
const typedAt = ref('')
const leaving = ref(false)
const reason = ref('')

const backsOut = computed(() => props.step.way === 'back-out-to-crack')
const goalGauge = computed(() => props.step.expect.find((e) => PRESSURE_UNITS.includes(e.reads as PressureUnit)))
const screw = computed(() => props.run.screws.find((s) => s.setting === props.step.setting))
const failed = computed(() => props.run.readings.some((r) => r.grade !== 'pass'))
const generalProblem = computed(() => (props.refused && props.refused.places[0]?.path !== 'reading' ? props.refused : null))

function reading(instrument: string) {
  return props.run.readings.find((r) => r.instrument === instrument)
}

function bandBar(e?: Schema['ExpectView']): { low?: number; high?: number } {
  return e ? { low: toBar(e.low, e.reads as PressureUnit), high: toBar(e.high, e.reads as PressureUnit) } : {}
}

/** What the live instrument shows now, in words for the button; empty where it can't be taken. */
function liveText(instrument: string): string {
  const live = props.live
  if (!live) return ''
  if (instrument === 'OIL') return `${live.oilC.toFixed(1)} °C`
  const amps = live.motors[instrument]
  if (amps !== undefined) return `${amps.toFixed(1)} A`
  const bar = live.gauges[instrument]?.bar
  return bar === undefined ? '' : `${pressureNumber(bar, display.pressure, true)} ${display.pressure}`
}

interface Action {
  label: string
  waits?: string
  event: RunEvent
}

/** The one likely action now. */
const primary = computed<Action>(() => {
  const step = props.step.id
  if (!props.run.missing.length) return { label: 'Done, next step', event: { kind: 'step-done', step } }
  if (backsOut.value && !reading(goalGauge.value?.testPoint ?? '')) {
    const crack = props.live?.crackBar
    return {
      label: crack ? `Take ${display.show(crack)} as crack point` : 'Take the crack point',
      waits: crack ? undefined : 'Watching for the first fall of the gauge',
      event: { kind: 'take-crack', step },
    }
  }
  const turning = props.step.goalBar && (props.run.advice?.code === 'advice.read-first' || props.run.advice?.turns)
  const next = props.step.expect.find((e) => !reading(e.testPoint)) ?? props.step.expect.find((e) => reading(e.testPoint)?.grade !== 'pass') ?? props.step.expect[0]
  const instrument = next?.testPoint ?? ''
  const name = instrument === 'OIL' ? 'oil' : instrument
  const settled = props.live?.gauges[instrument]?.settled !== false
  return {
    label: props.live ? `Take ${name} ${liveText(instrument)}` : `Type what ${name} reads`,
    waits: settled ? undefined : turning ? 'Wait until it stands still' : 'It is still moving',
    event: { kind: 'live-reading', step, instrument },
  }
})

const taken = ref(false)
async function act() {
  if (taken.value || primary.value.waits) return
  if (primary.value.event.kind === 'live-reading' && !props.live) {
    focusReading()
    return
  }
  taken.value = true
  typedAt.value = ''
  await props.send(primary.value.event)
  taken.value = false
}

async function keep(instrument: string, text: string, done: (saved: boolean) => void) {
  typedAt.value = instrument
  const kind = backsOut.value && instrument === goalGauge.value?.testPoint ? 'cracked' : 'reading'
  done(await props.send({ kind, step: props.step.id, instrument, text }))
}

async function leave() {
  if (await props.send({ kind: 'deviation', step: props.step.id, text: reason.value })) leaving.value = false
}

function focusReading(): HTMLInputElement | null {
  const input = document.querySelector<HTMLInputElement>('[data-reading]')
  input?.focus()
  return input
}

/** Digits go to the reading, Enter does the one likely action. */
function onKey(event: KeyboardEvent) {
  const target = event.target as HTMLElement
  if (['INPUT', 'TEXTAREA', 'BUTTON', 'SUMMARY', 'A'].includes(target.tagName) || event.ctrlKey || event.metaKey) return
  if (event.key === 'Enter') {
    event.preventDefault()
    void act()
  } else if (/^[0-9]$/.test(event.key)) {
    focusReading()
  }
}
onMounted(() => {
  window.addEventListener('keydown', onKey)
  void nextTick(() => window.scrollTo({ top: 0 }))
})
onBeforeUnmount(() => window.removeEventListener('keydown', onKey))
</script>

<template>
  <article class="card step">
    <p class="quiet">Step {{ run.stepNumber }} of {{ run.stepCount }} · {{ step.kind.replace('-', ' ') }}<template v-if="step.tool"> · {{ step.tool }}</template></p>
    <h1>{{ step.action }}</h1>
    <p v-if="step.why">{{ step.why }}</p>
    <p v-if="step.unprotected" class="alone"><b>▲ No relief behind this screw.</b> One hand at the stop button.</p>

    <div v-if="run.advice || step.inControl" class="boxes">
      <div v-if="run.advice" class="box turn">
        <span class="quiet small">Next turn</span>
        <b v-if="live?.crackBar" class="figure">stop, it has cracked</b>
        <b v-else class="figure">{{ run.advice.turns ? `${run.advice.turns > 0 ? '↻' : '↺'} ${run.advice.turnsText} ${run.advice.turns > 0 ? 'in' : 'out'}` : 'none now' }}</b>
        <span class="small">{{ run.advice.text }}</span>
        <Button
          v-if="!run.practice && run.advice.turns" :label="`Turned ${run.advice.turnsText} ${run.advice.turns > 0 ? 'in' : 'out'}`" outlined
          @click="send({ kind: 'turned', step: step.id, setting: step.setting, turns: run.advice.turns })" />
      </div>
      <div v-if="step.inControl" class="box">
        <span class="quiet small">Who has the gauge</span>
        <b class="figure">{{ settingName(step.inControl) }}</b>
        <span v-if="screw" class="small">{{ settingName(screw.setting) }} stands {{ screw.turnsText }} in from all out.</span>
      </div>
    </div>

    <Trace
      v-if="live && goalGauge && step.goalBar" :points="trace[goalGauge.testPoint] ?? []" v-bind="bandBar(goalGauge)"
      :crack="live.crackBar ?? undefined" />

    <ReadingRow
      v-for="e in step.expect" :key="e.testPoint" :expect="e" :reading="reading(e.testPoint)"
      :message="refused && refused.places[0]?.path === 'reading' && (typedAt === e.testPoint || (!typedAt && e === step.expect[0])) ? refused.places[0]?.message : undefined"
      @keep="(text, done) => keep(e.testPoint, text, done)" />
    <Problems :refused="generalProblem" />

    <div class="actions">
      <button type="button" class="primary" :disabled="primary.waits !== undefined" @click="act">
        {{ primary.label }} <span class="small">{{ primary.waits ?? 'Enter' }}</span>
      </button>
      <Button v-if="run.readings.length && failed" label="Begin this step again" severity="secondary" outlined @click="send({ kind: 'again', step: step.id })" />
      <Button v-if="run.mayDeviate && !leaving" label="Leave it so, with a reason" severity="secondary" outlined @click="leaving = true" />
    </div>
    <form v-if="leaving && run.mayDeviate" class="leave" @submit.prevent="leave">
      <label for="reason"><b>Why is it left so?</b> The reason is kept and printed.</label>
      <textarea id="reason" v-model="reason" rows="2" maxlength="500"></textarea>
      <Button type="submit" label="Leave it so" />
    </form>
    <p v-if="failed && !run.mayDeviate && run.missing.length" class="small quiet">{{ run.missing[0] }}</p>
  </article>
  <section v-if="step.ifNot.length || step.cautions.length" class="card notes">
    <div v-if="step.ifNot.length"><b>If the reading does not come</b><ul><li v-for="t in step.ifNot" :key="t">{{ t }}</li></ul></div>
    <div v-if="step.cautions.length"><b>▲ Mind</b><ul><li v-for="t in step.cautions" :key="t">{{ t }}</li></ul></div>
  </section>
</template>

<style scoped>
.step {
  display: grid;
  gap: 10px;
}
.alone {
  border-left: 7px solid var(--stop);
  background: var(--stop-soft);
  padding: 6px 12px;
}
.boxes {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 12px;
}
.box {
  border: 1.5px solid var(--rule);
  border-radius: 8px;
  padding: 10px 14px;
  display: grid;
  gap: 2px;
  align-content: start;
}
.box.turn {
  border-color: var(--gate);
}
.figure {
  font-size: 23px;
  line-height: 1.25;
}
.actions {
  display: flex;
  gap: 10px;
  flex-wrap: wrap;
}
.primary {
  font: inherit;
  font-size: 18px;
  font-weight: 700;
  min-height: 56px;
  padding: 6px 20px;
  border: 0;
  border-radius: 8px;
  background: var(--gate);
  color: var(--on-gate);
  cursor: pointer;
}
.primary:disabled {
  background: var(--rule);
  color: var(--quiet);
  cursor: default;
}
.primary .small {
  font-weight: 400;
  margin-left: 8px;
}
.leave {
  display: grid;
  gap: 8px;
  justify-items: start;
}
textarea {
  width: 100%;
  font: inherit;
  background: var(--board);
  color: var(--ink);
  border: 1.5px solid var(--quiet);
  border-radius: 6px;
  padding: 8px;
}
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
