<script setup lang="ts">
import { say } from '../words'
import Button from 'primevue/button'
import { computed } from 'vue'
import { asRefused, call } from '../api/client'
import Problems from '../display/Problems.vue'
import Staff from '../staff/Staff.vue'
import Gates from './Gates.vue'
import Instruments from './Instruments.vue'
import PausedCard from './PausedCard.vue'
import TestProof from '../verify/TestProof.vue'
import CurvePanel from '../verify/CurvePanel.vue'
import { newKey } from './outbox'
import RigPanel from './RigPanel.vue'
import RunLog from './RunLog.vue'
import StepAside from './StepAside.vue'
import StepCard from './StepCard.vue'
import { useLive } from './useLive'
import { useRun } from './useRun'
import { useRunUnit } from './useRunUnit'

const props = defineProps<{ tag: string; id: string }>()
const { run, loadError, refetch, send, goOn, seen, waiting, stopped, refused, busy, awaits } = useRun(props.id)
const { live, handles, trace, lostSince, closed, answered } = useLive(props.id, seen)
const { position, ratedCurrents, onTimes, gaugeErrors, reads, gaugeOn, band } = useRunUnit(props.id)

/** The instruments that this step is read on. */
const here = computed(() => [
  ...(run.value?.step?.expect.map((e) => e.testPoint) ?? []),
  ...[run.value?.curve?.gauge, run.value?.curve?.signal].filter((g): g is string => !!g),
])

/** The test of the finished unit that the step at hand belongs to. */
const test = computed(() => run.value?.tests.find((t) => t.name === run.value?.step?.test))

/** The staffs of the lines that this step is read on come first; a long unit has more of them than a screen. */
const staffs = computed(() => {
  const all = run.value?.staffs ?? []
  const read = all.filter((s) => here.value.includes(gaugeOn.value[s.line] ?? ''))
  return [...read, ...all.filter((s) => !read.includes(s))].slice(0, 2)
})

/** What the gauge of this very line shows; nothing for a line without one, or when the stream is lost. */
function shown(line: string): number | undefined {
  const gauge = gaugeOn.value[line]
  return gauge && !lostSince.value ? live.value?.gauges[gauge]?.bar : undefined
}

async function reopen() {
  await call('POST', `/api/runs/${props.id}/rig`, { action: 'reopen', target: '', value: 0, position: '', key: newKey() })
  window.location.reload()
}
</script>

<template>
  <Problems :refused="loadError ? asRefused(loadError) : null" />
  <div v-if="run" class="cockpit">
    <Gates :phases="run.phases" />
    <p v-if="run.practice" class="practice small" role="note">{{ say('run.runPage.practice-rig-nothing-of', tag) }}</p>
    <p v-if="waiting.length && stopped" class="card waiting" role="status">
      {{ stopped.offline ? say('run.runPage.the-server-can-t') : say('run.runPage.the-server-could-not', stopped.message) }}
      {{ waiting.length === 1 ? say('run.runPage.one-entry-waits') : say('run.runPage.entries-wait', waiting.length) }}
    </p>
    <div class="page" :class="{ alone: !run.practice }">
      <section class="staffs">
        <Staff
          v-for="s in staffs"
          :key="s.line"
          :staff="s"
          :current="run.step?.setting"
          :live="shown(s.line)"
          :tall="staffs.length > 1 ? 360 : 600"
        />
      </section>
      <section class="middle" :aria-busy="awaits">
        <div v-if="run.finished" class="card done">
          <h1>{{ say('run.runPage.all-steps-are-done', run.stepCount) }}</h1>
          <p>{{ say('run.runPage.entries-are-kept-in', run.seq) }}</p>
          <RouterLink :to="{ name: 'record', params: { tag, id } }"
            ><Button :label="say('run.runPage.open-the-record')" tabindex="-1"
          /></RouterLink>
        </div>
        <template v-else-if="run.paused">
          <PausedCard :paused="run.paused" :step="run.step?.action" :busy="busy" @go-on="goOn()" />
          <Problems :refused="refused" />
        </template>
        <div v-else-if="run.waitingAt" class="card done gate">
          <p class="quiet">{{ say('run.runPage.gate-after', run.waitingAt.title) }}</p>
          <h1>{{ say('run.runPage.is-it-so') }}</h1>
          <ul>
            <li v-for="c in run.waitingAt.conditions" :key="c">{{ c }}</li>
          </ul>
          <TestProof v-for="t in run.tests" :key="t.name" :test="t" />
          <Problems :refused="refused" />
          <Button
            :label="say('run.runPage.yes-open-the-gate')"
            size="large"
            autofocus
            :loading="busy"
            @click="send({ kind: 'hold-opened', phase: run.waitingAt.phase })"
          />
        </div>
        <StepCard
          v-else-if="run.step"
          :key="run.step.id"
          :run="run"
          :step="run.step"
          :live="live"
          :lost="lostSince > 0"
          :trace="trace"
          :refused="refused"
          :waiting="waiting"
          :send="send"
        >
          <template v-if="run.curve" #work>
            <CurvePanel
              :key="run.curve.step"
              :curve="run.curve"
              :place="`typing-${run.uuid}-${run.curve.step}`"
              :reads="reads"
              :live="run.practice ? live : undefined"
              :lost="lostSince > 0"
              :refused="refused"
              :waiting="waiting"
              :send="send"
            />
          </template>
          <TestProof v-if="test && (test.readings.length || test.said.length > 1)" :test="test" />
          <StepAside :run="run" :step="run.step.id" :typed="!run.practice" @send="(e) => send(e)" @changed="refetch()" />
          <RunLog :run="run" />
        </StepCard>
        <RunLog v-if="run.finished || run.waitingAt || run.paused" :run="run" class="card" />
      </section>
      <section v-if="run.practice" class="card right">
        <div v-if="closed" role="alert">
          <p>
            <b>{{ say('run.runPage.the-practice-machine-was') }}</b> {{ closed }}
          </p>
          <Button :label="say('run.runPage.open-it-again')" @click="reopen()" />
        </div>
        <template v-else-if="live">
          <Instruments
            :live="live"
            :motors="ratedCurrents"
            :on-time="onTimes"
            :band="band"
            :gauge-error="gaugeErrors"
            :reads="reads"
            :here="here"
            :lost-since="lostSince"
          />
          <RigPanel
            v-if="handles && !run.paused"
            :run-id="id"
            :handles="handles"
            :current="run.step?.setting"
            :position="position"
            @moved="(now) => (answered(now), refetch())"
          />
        </template>
        <p v-else class="quiet" role="status">{{ say('run.runPage.connecting-to-the-machine') }}</p>
      </section>
    </div>
  </div>
</template>

<style scoped>
.page {
  display: grid;
  grid-template-columns: 320px minmax(0, 1fr) 400px;
  gap: 12px;
}
@media (min-width: 801px) and (min-height: 600px) {
  .cockpit {
    height: 100%;
    display: flex;
    flex-direction: column;
  }
  .page {
    flex: 1;
    min-height: 0;
    grid-template-rows: minmax(0, 1fr);
  }
  .staffs,
  .right {
    overflow-y: auto;
  }
  .middle {
    min-height: 0;
    grid-template-rows: minmax(0, 1fr);
  }
}
.page.alone {
  grid-template-columns: 320px minmax(0, 1fr);
}
.middle {
  display: grid;
  gap: 10px;
  align-content: start;
}
.right {
  padding: 10px 12px;
  display: grid;
  gap: 10px;
  align-content: start;
}
.done {
  display: grid;
  gap: 14px;
  place-items: start;
  align-content: start;
}
.gate {
  border-left: 8px solid var(--gold);
}
.gate ul {
  margin: 0;
  padding-left: 22px;
  font-size: 18px;
}
.practice {
  color: var(--quiet);
  margin: 0 0 6px;
}
.right {
  grid-template-columns: minmax(0, 1fr);
}
.waiting {
  border-left: 7px solid var(--gold);
  margin-bottom: 8px;
}
@media (max-width: 1100px) {
  .page {
    grid-template-columns: minmax(0, 1fr) 400px;
  }
  .page.alone {
    grid-template-columns: minmax(0, 1fr);
  }
  .staffs {
    display: none;
  }
}
@media (max-width: 800px) {
  .page {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
