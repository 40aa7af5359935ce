<script setup lang="ts">
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import ToggleSwitch from 'primevue/toggleswitch'
import { computed, onUnmounted, ref, watch } from 'vue'
import type { Refused } from '../api/client'
import { useDisplay } from '../display/display'
import { unitBeside, withUnit } from '../display/units'
import Verdict from '../display/Verdict.vue'
import { useKept } from '../run/kept'
import type { Waiting } from '../run/outbox'
import type { LiveView } from '../run/useLive'
import type { RunEvent } from '../run/useRun'
import { say } from '../words'
import CurveChart from './CurveChart.vue'
import CurveTable from './CurveTable.vue'
import type { Curve } from './curves'

/** A curve while it is taken: which point is next, the point as read, what the points tell so far. */
const props = defineProps<{
  curve: Curve
  /** where half-typed text is kept */
  place: string
  /** what a gauge has on its dial */
  reads: Record<string, string>
  live?: LiveView
  lost: boolean
  refused: Refused | null
  waiting: Waiting[]
  send: (event: RunEvent) => Promise<boolean | undefined>
}>()
const display = useDisplay()
const pressure = useKept(`${props.place}-pressure`)
const signal = useKept(`${props.place}-signal`)
const flow = useKept(`${props.place}-flow`)
const back = ref(false)
const next = computed(() => {
  const number = props.curve.next
  const aim = number ? props.curve.aims[number - 1] : undefined
  return aim && number ? { aim, number } : undefined
})
watch(next, (n) => (back.value = n?.aim.back ?? back.value), { immediate: true })

const flowUnit = computed(() => unitBeside('L/min', display.pressure))
const counted = computed(() => props.curve.points.filter((p) => !p.leftOut).length)
const pending = computed(() => props.waiting.filter((w) => w.event.kind === 'point' && w.event.step === props.curve.step).length)
const problem = computed(() => props.refused?.places[0]?.message)
const stands = computed(() => [props.curve.gauge, props.curve.signal].every((g) => !g || props.live?.gauges[g]?.settled === true))
const gauges = computed(() =>
  [props.curve.gauge, props.curve.signal]
    .filter((g): g is string => !!g)
    .map((g) => `${g} ${display.show(props.live?.gauges[g]?.bar ?? 0)}`),
)

async function take() {
  await props.send({ kind: 'live-point', step: props.curve.step, back: back.value })
}

/** The machine may have found the gauges moving still, and nothing here changes when they have come to rest. */
const AGAIN_MS = 400
const MOST_AGAIN = 8
let again: ReturnType<typeof setTimeout> | undefined
const byItself = ref(false)
const opening = computed(() => props.live?.openings[props.curve.load] ?? 0)
const takenAt = ref(0)
const asked = ref(false)
/** While the load is shut slowly: wherever it stopped anew and the gauges have come to rest. */
async function takeByItself(tries = 0) {
  const at = opening.value
  if (!byItself.value || !stands.value || asked.value || props.lost || at === 0 || at === takenAt.value || !next.value) return
  asked.value = true
  const taken = await props.send({ kind: 'live-point', step: props.curve.step, back: back.value })
  if (taken !== false) takenAt.value = at
  asked.value = false
  if (taken === false && tries < MOST_AGAIN) again = setTimeout(() => void takeByItself(tries + 1), AGAIN_MS)
}
watch([byItself, stands, opening], () => {
  clearTimeout(again)
  void takeByItself()
})
onUnmounted(() => {
  byItself.value = false
  clearTimeout(again)
})

async function keep() {
  const typed = [pressure.value, signal.value, flow.value] as const
  if (!typed[0].trim() && !typed[2].trim()) return
  pressure.value = signal.value = flow.value = ''
  const event: RunEvent = {
    kind: 'point',
    step: props.curve.step,
    pressure: typed[0],
    signal: props.curve.signal ? typed[1] : undefined,
    flow: withUnit(typed[2], flowUnit.value),
    back: back.value,
  }
  if ((await props.send(event)) === false && !pressure.value && !flow.value) [pressure.value, signal.value, flow.value] = typed
}

function leaveOut(seq: number, reason: string) {
  void props.send({ kind: 'left-out', step: props.curve.step, wrong: seq, text: reason })
}
</script>

<template>
  <div class="curve">
    <p>
      <template v-if="next">
        {{
          say(
            next.aim.back ? 'verify.next-back' : 'verify.next',
            next.number,
            curve.gauge,
            display.show(next.aim.bar),
            curve.load,
            `${Math.round(next.aim.opening * 1000) / 10} %`,
            display.flow(next.aim.lpm),
          )
        }}
      </template>
      <template v-else>{{ say('verify.all-aims') }}</template>
      <span class="chip plain">{{ say('verify.least', counted, curve.least) }}</span>
    </p>
    <div v-if="live" class="take">
      <Button :label="say('verify.take-now', gauges.join(', '), curve.metered)" :disabled="lost || !stands" @click="take" />
      <label v-if="curve.kind === 'relief'" class="back"><ToggleSwitch v-model="back" /> {{ say('verify.way-back') }}</label>
      <label class="back"><ToggleSwitch v-model="byItself" /> {{ say('verify.by-itself') }}</label>
    </div>
    <form v-else class="take" @submit.prevent="keep">
      <label v-for="g in [curve.gauge, curve.signal].filter((x): x is string => !!x)" :key="g">
        <span class="small">{{ say('verify.pressure-of', g) }}</span>
        <span class="field">
          <InputText
            :model-value="g === curve.gauge ? pressure : signal"
            inputmode="decimal"
            autocomplete="off"
            :data-reading="g"
            @update:model-value="(v) => (g === curve.gauge ? (pressure = v ?? '') : (signal = v ?? ''))"
          />
          {{ reads[g] ?? display.pressure }}
        </span>
      </label>
      <label>
        <span class="small">{{ say('verify.flow-of', curve.metered) }}</span>
        <span class="field"><InputText v-model="flow" autocomplete="off" /> {{ flowUnit }}</span>
      </label>
      <label v-if="curve.kind === 'relief'" class="back"><ToggleSwitch v-model="back" /> {{ say('verify.way-back') }}</label>
      <Button type="submit" :label="say('verify.keep')" />
    </form>
    <p v-if="problem" class="wrong" role="alert">{{ problem }}</p>
    <p v-if="pending" class="small" role="status">{{ say('verify.waiting', pending) }}</p>
    <p v-if="curve.verdict" aria-live="polite"><Verdict :grade="curve.verdict" /> {{ curve.said.join(' ') }}</p>
    <CurveChart :curve="curve" />
    <CurveTable v-if="curve.points.length" :curve="curve" open @leave-out="leaveOut" />
  </div>
</template>

<style scoped>
.curve {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 8px;
}
.take {
  display: flex;
  flex-wrap: wrap;
  gap: 10px 14px;
  align-items: end;
}
.take label > .small {
  display: block;
}
.field {
  display: flex;
  align-items: center;
  gap: 6px;
}
.field input {
  width: 96px;
  font-size: 18px;
  font-weight: 600;
}
.back {
  display: flex;
  align-items: center;
  gap: 8px;
  min-height: 44px;
}
.wrong {
  color: var(--stop);
  font-weight: 600;
}
</style>
