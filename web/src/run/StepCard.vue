<script setup lang="ts">
import Button from 'primevue/button'
import { say } from '../words'
import { computed, nextTick, onBeforeUnmount, onMounted, ref } from 'vue'
import type { Refused, Schema } from '../api/client'
import { useDisplay } from '../display/display'
import Problems from '../display/Problems.vue'
import { timeLeft } from '../display/time'
import type { Waiting } from './outbox'
import CrackSaid from './CrackSaid.vue'
import MarginRow from './MarginRow.vue'
import ReadingRow from './ReadingRow.vue'
import StepChoices from './StepChoices.vue'
import NoteFields from './NoteFields.vue'
import PauseRun from './PauseRun.vue'
import StepNotes from './StepNotes.vue'
import TickList from './TickList.vue'
import Trace from './Trace.vue'
import TurnBoxes from './TurnBoxes.vue'
import UndoLast from './UndoLast.vue'
import type { LiveView } from './useLive'
import { useFresh } from './doubleTap'
import { asksStill, bandBar, usePrimary } from './usePrimary'
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

/** A count of turns is told by the advice, not by a band on a gauge. */
const goal = computed(() => {
  const g = props.step.goal
  return g && g.kind !== 'turns' && g.kind !== 'end' ? g : undefined
})
/** A reading and a point say beside themselves what is wrong with them. */
const generalProblem = computed(() =>
  props.refused && props.refused.places[0]?.path !== 'reading' && !props.run.curve ? props.refused : null,
)
const { wrong, backsOut, crackedAt, readsOn, onlyHeard, goalGauge, reading, primary } = usePrimary(props)
const mayMark = computed(() => backsOut.value && !props.run.crack && (props.run.practice ? !!props.live : !!props.run.crackRead))

function isPart(instrument: string) {
  return !!goal.value?.minus && (goal.value.testPoint === instrument || goal.value.minus === instrument)
}

const fresh = useFresh()
const taken = ref(false)
async function act() {
  if (taken.value || fresh.value || primary.value.waits) return
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
  const kind = backsOut.value && !readsOn.value && !props.run.crack && instrument === goalGauge.value?.testPoint ? 'cracked' : 'reading'
  // Of a needle that was to stand; a peak, or an ammeter, does not.
  const e = props.step.expect.find((x) => x.testPoint === instrument)
  const still = !props.run.practice && !!e && asksStill(e)
  if ((await props.send({ kind, step: props.step.id, instrument, text, still })) === false) back(text)
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
      }}<template v-if="step.tool"> · {{ step.tool }}</template
      ><template v-if="step.test"> · {{ step.test }}</template> · {{ say('run.stepCard.about-left', timeLeft(run.minutesLeft)) }}
    </p>
    <h1>{{ step.action }}</h1>
    <p v-if="step.unprotected" class="alone">
      <b>{{ say('run.stepCard.no-relief-behind-this') }}</b> {{ say('run.stepCard.one-hand-at-the') }}
    </p>
    <ul v-if="wrong.length" class="alone" :aria-label="say('run.stepCard.stands-otherwise')">
      <li v-for="w in wrong" :key="w">▲ {{ w }}</li>
    </ul>

    <TurnBoxes v-if="run.advice || step.inControl" :run="run" :step="step" :cracked="!!crackedAt" :waits="wrong.length > 0" @made="send" />

    <div :key="step.id" class="rest">
      <MarginRow v-if="goal?.minus" :goal="goal" :run="run" :step="step" :live="lost ? undefined : live" @made="send" />

      <ReadingRow
        v-for="e in step.expect"
        :key="e.testPoint"
        :expect="e"
        :reading="reading(e.testPoint)"
        :part="isPart(e.testPoint)"
        :as-found="step.demand === 'as-found'"
        :asks-still="!run.practice && asksStill(e)"
        :place="`typing-${run.uuid}-${step.id}-${e.testPoint}`"
        :waiting="waitingFor(e.testPoint)"
        :message="
          refused && refused.places[0]?.path === 'reading' && (typedAt === e.testPoint || (!typedAt && e === step.expect[0]))
            ? refused.places[0]?.message
            : undefined
        "
        @keep="(text, back) => keep(e.testPoint, text, back)"
      />
      <Trace
        v-if="live && goalGauge && step.goalBar && !goal?.minus"
        :points="trace[goalGauge.testPoint] ?? []"
        v-bind="bandBar(goalGauge)"
        :crack="live.crack"
        :cracked="!!live.crackBar"
        :marked="run.crack?.tappedBar ?? undefined"
      />
      <slot name="work" />
      <p v-for="c in run.carried" :key="c" class="small">{{ c }}</p>
      <p v-if="run.crackRead && !crackedAt" class="small">
        {{
          say(
            run.crackRead.fallBar > 0 ? 'run.stepCard.read-and-fell' : 'run.stepCard.read-holds',
            display.show(run.crackRead.heldBar),
            display.show(run.crackRead.fallBar),
          )
        }}
      </p>
      <CrackSaid v-if="run.crack" :crack="run.crack" />
      <p v-if="run.deviation" class="small">
        <b>{{ say('run.stepCard.left-so') }}</b> {{ say('run.stepCard.void-after-any-later', run.deviation) }}
      </p>
      <NoteFields :run="run" :step="step.id" :machine-s="live?.timeS" @send="send" />
      <StepNotes :step="step" />
      <TickList :run="run" :busy="taken || primary.waits !== undefined" @tick="act" @send="send" />
      <slot />
    </div>
    <Problems :refused="generalProblem" />

    <div class="actions">
      <Button class="primary" :class="{ fresh }" :disabled="fresh || primary.waits !== undefined" @click="act">
        {{ primary.label }} <span class="small">{{ primary.waits ?? say('run.stepCard.enter') }}</span>
      </Button>
      <StepChoices :run="run" :step="step" :cracked-at="onlyHeard ? undefined : crackedAt" :may-mark="mayMark" :send="send" />
      <UndoLast :run="run" :step="step.id" @send="send" />
      <PauseRun :uuid="run.uuid" @send="send" />
    </div>
    <p v-if="run.missing.length && !run.mayDeviate" class="small quiet">{{ run.missing.join(' ') }}</p>
  </article>
</template>

<style scoped>
.step {
  display: flex;
  flex-direction: column;
  gap: 8px;
  padding-bottom: 10px;
}
.rest {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 10px;
  align-content: start;
}
@media (min-width: 801px) and (min-height: 600px) {
  .step {
    min-height: 0;
  }
  .rest {
    flex: 1;
    min-height: 0;
    overflow-y: auto;
    scrollbar-gutter: stable;
  }
}
@media (max-width: 800px) {
  .actions {
    position: sticky;
    bottom: 0;
    background: var(--card);
    padding: 8px 0;
  }
}
.alone {
  border-left: 7px solid var(--stop);
  background: var(--stop-soft);
  padding: 6px 12px;
  margin: 0;
  list-style: none;
}
.actions {
  display: flex;
  gap: 10px;
  flex-wrap: wrap;
}
.primary {
  display: block;
  font-size: 18px;
  font-weight: 700;
  min-height: 56px;
  padding: 6px 20px;
}
.primary:disabled {
  opacity: 1;
}
.primary:disabled:not(.fresh) {
  background: var(--rule);
  border-color: var(--rule);
  color: var(--quiet);
}
.primary .small {
  font-weight: 400;
  margin-left: 8px;
}
</style>
