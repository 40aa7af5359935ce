<script setup lang="ts">
import { say } from '../words'
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import Textarea from 'primevue/textarea'
import { computed, nextTick, onBeforeUnmount, onMounted, ref } from 'vue'
import type { Refused, Schema } from '../api/client'
import { useDisplay } from '../display/display'
import { settingName } from '../display/names'
import { PRESSURE_UNITS, fromBar, pressureNumber, toBar, type PressureUnit } from '../display/quantity'
import Problems from '../display/Problems.vue'
import Verdict from '../display/Verdict.vue'
import { useKept } from './kept'
import type { Waiting } from './outbox'
import ReadingRow from './ReadingRow.vue'
import Trace from './Trace.vue'
import TurnEntry from './TurnEntry.vue'
import type { LiveView } from './useLive'
import type { RunEvent, RunView } from './useRun'

const props = defineProps<{
  run: RunView
  step: Schema['StepView']
  live?: LiveView
  /** the stream is lost: nothing live can be taken */
  lost: boolean
  trace: Record<string, { t: number; bar: number }[]>
  refused: Refused | null
  waiting: Waiting[]
  send: (event: RunEvent) => Promise<boolean | undefined>
}>()

const display = useDisplay()
const typedAt = ref('')
const leaving = ref(false)
const reason = useKept(`reason-${props.run.uuid}-${props.step.id}`)
const releasedBy = ref('')

const backsOut = computed(() => props.step.way === 'back-out-to-crack')
const goalGauge = computed(() => props.step.expect.find((e) => PRESSURE_UNITS.includes(e.reads as PressureUnit)))
const goal = computed(() => props.step.goal)
const screw = computed(() => props.run.screws.find((s) => s.setting === props.step.setting))
const failed = computed(() => props.run.readings.some((r) => r.grade !== 'pass'))
const generalProblem = computed(() => (props.refused && props.refused.places[0]?.path !== 'reading' ? props.refused : null))
const wrong = computed(() => (props.run.practice ? (props.live?.wrong ?? []) : []))

function reading(instrument: string) {
  return props.run.readings.find((r) => r.instrument === instrument)
}

function isPart(instrument: string) {
  return !!goal.value?.minus && (goal.value.testPoint === instrument || goal.value.minus === instrument)
}

/** What counts of a difference, in the gauge's unit, as soon as both are read. */
const difference = computed(() => {
  const g = goal.value
  if (!g?.minus) return undefined
  const upper = reading(g.testPoint)
  const lower = reading(g.minus)
  return upper && lower ? { value: Math.round((upper.value - lower.value) * 10) / 10, grade: upper.grade } : undefined
})

function bandBar(e?: Schema['ExpectView']): { low?: number; high?: number } {
  return e ? { low: toBar(e.low, e.reads as PressureUnit), high: toBar(e.high, e.reads as PressureUnit) } : {}
}

/** What the live instrument would give now, in its own unit, for the button; empty where it can't be taken. */
function liveText(e: Schema['ExpectView'] | undefined): string {
  const live = props.live
  if (!live || !e) return ''
  if (e.testPoint === 'OIL') return `${live.oilC.toFixed(1)} °C`
  const motor = live.motors[e.testPoint]
  if (motor) return `${motor.amps.toFixed(1)} A`
  const gauge = live.gauges[e.testPoint]
  const unit = e.reads as PressureUnit
  return gauge ? `${pressureNumber(gauge.takeBar ?? gauge.bar, unit, true)} ${unit}` : ''
}

/** Why a live instrument can't be taken yet. */
function notYet(instrument: string): string | undefined {
  if (!props.live || instrument === 'OIL') return undefined
  if (props.lost) return say('run.stepCard.the-machine-is-not')
  if (wrong.value.length) return wrong.value[0]
  const settled = props.live.gauges[instrument]?.settled ?? props.live.motors[instrument]?.settled ?? true
  const take = props.step.expect.find((e) => e.testPoint === instrument)?.take ?? 'standing'
  return settled ? undefined : WAITS[take]
}

const WAITS: Record<string, string> = {
  standing: say('run.stepCard.wait-until-it-stands'),
  peak: say('run.stepCard.wait-until-it-has'),
  valley: say('run.stepCard.wait-until-it-has-2'),
  after: say('run.stepCard.wait-until-the-time'),
}

interface Action {
  label: string
  waits?: string
  event: RunEvent
}

const WAYS: Record<string, string> = {
  'to-the-end': say('run.stepCard.turn-it-to-its'),
  'count-turns': say('run.stepCard.turn-as-advised'),
}

/** The one likely action now. */
const primary = computed<Action>(() => {
  const step = props.step.id
  if (!props.run.missing.length) {
    const deed =
      props.step.demand === 'rest' && props.run.practice ? say('run.stepCard.let-the-time-pass') : say('run.stepCard.done-next-step')
    return { label: deed, event: { kind: 'step-done', step } }
  }
  const unread = props.step.expect.find((e) => !reading(e.testPoint))
  if (backsOut.value && !reading(goalGauge.value?.testPoint ?? '')) {
    const crack = props.live?.crackBar
    return {
      label: crack ? say('run.stepCard.take-as-crack-point', display.show(crack)) : say('run.stepCard.take-the-crack-point'),
      waits: crack ? undefined : props.live ? say('run.stepCard.watching-for-the-first') : say('run.stepCard.type-what-stood-before'),
      event: { kind: 'take-crack', step },
    }
  }
  const turning = WAYS[props.step.way ?? '']
  if (turning && (props.run.advice?.turns || !props.step.expect.length))
    return { label: turning, waits: props.run.missing[0], event: { kind: 'step-done', step } }
  if (!props.step.expect.length)
    return { label: say('run.stepCard.done-next-step'), waits: props.run.missing[0], event: { kind: 'step-done', step } }
  const next = unread ?? props.step.expect.find((e) => reading(e.testPoint)?.grade !== 'pass') ?? props.step.expect[0]
  const instrument = next?.testPoint ?? ''
  const name = instrument === 'OIL' ? 'oil' : instrument
  return {
    label: props.live ? say('run.stepCard.take', name, liveText(next)) : say('run.stepCard.type-what-reads', name),
    waits: notYet(instrument),
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
  typedAt.value = primary.value.event.instrument ?? ''
  await props.send(primary.value.event)
  taken.value = false
}

async function keep(instrument: string, text: string, back: (text: string) => void) {
  typedAt.value = instrument
  const kind = backsOut.value && instrument === goalGauge.value?.testPoint ? 'cracked' : 'reading'
  if ((await props.send({ kind, step: props.step.id, instrument, text })) === false) back(text)
}

async function leave() {
  const event = { kind: 'deviation', step: props.step.id, text: reason.value, releasedBy: releasedBy.value || undefined }
  if (await props.send(event)) {
    leaving.value = false
    reason.value = ''
  }
}

function waitingFor(instrument: string) {
  return props.waiting.filter((w) => w.event.step === props.step.id && w.event.instrument === instrument && w.event.text)
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
    <p class="quiet">
      {{ say('run.stepCard.step-of', run.stepNumber, run.stepCount, step.kind.replace('-', ' '))
      }}<template v-if="step.tool"> · {{ step.tool }}</template>
    </p>
    <h1>{{ step.action }}</h1>
    <p v-if="step.why">{{ step.why }}</p>
    <p v-if="step.unprotected" class="alone">
      <b>{{ say('run.stepCard.no-relief-behind-this') }}</b> {{ say('run.stepCard.one-hand-at-the') }}
    </p>
    <ul v-if="wrong.length" class="alone" :aria-label="say('run.stepCard.stands-otherwise')">
      <li v-for="w in wrong" :key="w">▲ {{ w }}</li>
    </ul>

    <div v-if="run.advice || step.inControl" class="boxes">
      <div v-if="run.advice" class="box turn">
        <span class="quiet small">{{ say('run.stepCard.next-turn') }}</span>
        <b v-if="live?.crackBar" class="figure">{{ say('run.stepCard.stop-it-has-cracked') }}</b>
        <b v-else-if="wrong.length" class="figure">{{ say('run.stepCard.wait') }}</b>
        <b v-else class="figure">{{
          run.advice.turns
            ? `${run.advice.turns > 0 ? '↻' : '↺'} ${run.advice.turnsText} ${run.advice.turns > 0 ? 'in' : 'out'}`
            : say('run.stepCard.none-now')
        }}</b>
        <span class="small">{{ run.advice.text }}</span>
        <TurnEntry
          v-if="!run.practice"
          :key="step.id"
          :step="step"
          :advised="run.advice.turns"
          :screws="run.screws.map((s) => s.setting)"
          @made="(e) => send(e)"
        />
      </div>
      <div v-if="step.inControl" class="box">
        <span class="quiet small">{{ say('run.stepCard.who-has-the-gauge') }}</span>
        <b class="figure">{{ settingName(step.inControl) }}</b>
        <span v-if="screw && screw.turnsIn !== null && screw.turnsIn !== undefined" class="small">{{
          say('run.stepCard.stands-in-from-all', settingName(screw.setting), screw.turnsText)
        }}</span>
        <span v-else-if="screw" class="small">{{ say('run.stepCard.where-stands-is-not', settingName(screw.setting)) }}</span>
      </div>
    </div>

    <p v-if="goal?.minus" class="difference">
      <b>{{ goal.testPoint }} − {{ goal.minus }}</b> {{ say('run.stepCard.must-be') }}
      <b>{{ say('run.stepCard.to', goal.low, goal.high, goal.reads) }}</b>
      <template v-if="difference">
        · <Verdict :grade="difference.grade" /> <b class="figure">{{ difference.value }} {{ goal.reads }}</b></template
      >
    </p>

    <Trace
      v-if="live && goalGauge && step.goalBar && !goal?.minus"
      :points="trace[goalGauge.testPoint] ?? []"
      v-bind="bandBar(goalGauge)"
      :crack="live.crackBar ?? undefined"
    />

    <ReadingRow
      v-for="e in step.expect"
      :key="e.testPoint"
      :expect="e"
      :reading="reading(e.testPoint)"
      :part="isPart(e.testPoint)"
      :place="`typing-${run.uuid}-${step.id}-${e.testPoint}`"
      :waiting="waitingFor(e.testPoint)"
      :message="
        refused && refused.places[0]?.path === 'reading' && (typedAt === e.testPoint || (!typedAt && e === step.expect[0]))
          ? refused.places[0]?.message
          : undefined
      "
      @keep="(text, back) => keep(e.testPoint, text, back)"
    />
    <p v-if="run.crack?.tappedBar !== null && run.crack?.tappedBar !== undefined" class="small">
      {{
        run.crack.foundBar
          ? say('run.stepCard.marked-and-found', fromBar(run.crack.tappedBar, 'bar'), run.crack.foundBar)
          : say('run.stepCard.marked-by-hand', fromBar(run.crack.tappedBar, 'bar'))
      }}
    </p>
    <p v-if="run.deviation" class="small">
      <b>{{ say('run.stepCard.left-so') }}</b> {{ say('run.stepCard.void-after-any-later', run.deviation) }}
    </p>
    <Problems :refused="generalProblem" />

    <div class="actions">
      <button type="button" class="primary" :disabled="primary.waits !== undefined" @click="act">
        {{ primary.label }} <span class="small">{{ primary.waits ?? 'Enter' }}</span>
      </button>
      <Button
        v-if="backsOut && live && !run.crack"
        :label="say('run.stepCard.i-hear-it-mark')"
        severity="secondary"
        outlined
        @click="send({ kind: 'tap-crack', step: step.id })"
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
    </div>
    <form v-if="leaving && run.mayDeviate" class="leave" @submit.prevent="leave">
      <label for="reason"
        ><b>{{ say('run.stepCard.why-is-it-left') }}</b> {{ say('run.stepCard.the-reason-is-kept') }}</label
      >
      <Textarea id="reason" v-model="reason" rows="2" maxlength="500" fluid />
      <label v-if="run.needsRelease" for="release"
        ><b>{{ say('run.stepCard.above-the-schematic') }}</b> {{ say('run.stepCard.released-by-a-second') }}
        <InputText id="release" v-model="releasedBy" maxlength="80"
      /></label>
      <Button type="submit" :label="say('run.stepCard.leave-it-so')" />
    </form>
    <ul v-if="run.missing.length && !run.mayDeviate" class="small quiet missing">
      <li v-for="m in run.missing" :key="m">{{ m }}</li>
    </ul>
  </article>
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
.difference {
  border-top: 1px solid var(--rule);
  padding-top: 8px;
}
.missing {
  list-style: none;
  padding: 0;
}
ul.alone {
  list-style: none;
  margin: 0;
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
