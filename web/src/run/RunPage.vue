<script setup lang="ts">
import Button from 'primevue/button'
import { asRefused } from '../api/client'
import Problems from '../display/Problems.vue'
import Staff from '../staff/Staff.vue'
import Gates from './Gates.vue'
import Instruments from './Instruments.vue'
import RigPanel from './RigPanel.vue'
import StepCard from './StepCard.vue'
import { useLive } from './useLive'
import { useRun } from './useRun'
import { useUnitFile } from '../units/useUnitFile'

const props = defineProps<{ tag: string; id: string }>()
const { run, loadError, refetch, send, queue, refused, offline, busy } = useRun(props.id)
const { live, trace, connected } = useLive(props.id)
const { ratedCurrents, gaugeErrors, band } = useUnitFile(props.tag)
</script>

<template>
  <Problems :refused="loadError ? asRefused(loadError) : null" />
  <template v-if="run">
    <Gates :phases="run.phases" />
    <p v-if="queue.length && offline" class="card waiting" role="status">
      ▲ The server can’t be reached. {{ queue.length === 1 ? 'One entry waits' : `${queue.length} entries wait` }} here and will be sent; nothing is lost.
    </p>
    <div class="page" :class="{ alone: !run.practice }">
      <section class="staffs">
        <Staff
          v-for="s in run.staffs" :key="s.line" :staff="s" :current="run.step?.setting"
          :live="live ? Object.values(live.gauges)[0]?.bar : undefined" />
      </section>
      <section class="middle">
        <div v-if="run.finished" class="card done">
          <h1>All {{ run.stepCount }} steps are done</h1>
          <p>{{ run.seq }} entries are kept in the log.</p>
          <RouterLink :to="{ name: 'record', params: { tag, id } }"><Button label="Open the record" tabindex="-1" /></RouterLink>
        </div>
        <div v-else-if="run.waitingAt" class="card done gate">
          <p class="quiet">Gate after {{ run.waitingAt.title }}</p>
          <h1>Is it so?</h1>
          <ul><li v-for="c in run.waitingAt.conditions" :key="c">{{ c }}</li></ul>
          <Problems :refused="refused" />
          <Button :label="`Yes, open the gate`" size="large" autofocus :loading="busy" @click="send({ kind: 'hold-opened', phase: run.waitingAt.phase })" />
        </div>
        <StepCard v-else-if="run.step" :key="run.step.id" :run="run" :step="run.step" :live="live" :trace="trace" :refused="refused" :send="send" />
        <details class="card log">
          <summary>{{ run.seq }} entries in the log · {{ run.technician }}{{ run.practice ? ' on the practice rig' : ' at the machine' }}</summary>
          <ol><li v-for="l in run.log" :key="l.seq"><span class="quiet">{{ new Date(l.at).toLocaleTimeString('en-GB') }}</span> {{ l.text }}</li></ol>
        </details>
      </section>
      <section v-if="run.practice" class="card right">
        <template v-if="live">
          <Instruments :live="live" :motors="ratedCurrents" :band="band" :gauge-error="gaugeErrors" />
          <RigPanel :run-id="id" :live="live" :current="run.step?.setting" @turned="refetch()" />
        </template>
        <p v-if="!connected" class="quiet" role="status">Connecting to the machine …</p>
      </section>
    </div>
  </template>
</template>

<style scoped>
.page {
  display: grid;
  grid-template-columns: 320px minmax(0, 1fr) 400px;
  gap: 12px;
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
  justify-items: start;
}
.gate {
  border-left: 8px solid var(--gold);
}
.gate ul {
  margin: 0;
  padding-left: 22px;
  font-size: 18px;
}
.waiting {
  border-left: 7px solid var(--gold);
  margin-bottom: 8px;
}
.log {
  padding: 8px 16px;
}
summary {
  min-height: 32px;
  cursor: pointer;
  color: var(--quiet);
}
ol {
  margin: 6px 0;
  padding-left: 0;
  list-style: none;
}
@media (max-width: 1100px) {
  .page {
    grid-template-columns: minmax(0, 1fr) 400px;
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
