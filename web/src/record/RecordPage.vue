<script setup lang="ts">
import Column from 'primevue/column'
import DataTable from 'primevue/datatable'
import { say } from '../words'
import { useQuery } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { asRefused, call, callBlob, type Schema } from '../api/client'
import { download } from '../circuit/exportSvg'
import { useDisplay } from '../display/display'
import { SCHOOL_NAMES } from '../display/names'
import Problems from '../display/Problems.vue'
import { clock, when } from '../display/time'
import Verdict from '../display/Verdict.vue'
import CurveProof from '../verify/CurveProof.vue'
import TestProof from '../verify/TestProof.vue'
import RecordCircuit from './RecordCircuit.vue'
import RecordLog from './RecordLog.vue'
import RecordFiles from './RecordFiles.vue'
import SettingsTable from './SettingsTable.vue'
import SignRecord from './SignRecord.vue'
import Staff from '../staff/Staff.vue'

const props = defineProps<{ tag: string; id: string }>()
const display = useDisplay()
const {
  data: record,
  error,
  refetch,
} = useQuery({
  queryKey: computed(() => ['record', props.id, display.pressure]),
  queryFn: () => call<Schema['RecordView']>('GET', `/api/runs/${props.id}/record?${display.query}`),
  staleTime: 0,
})
const OUTCOME: Record<string, [string, string]> = {
  passed: ['pass', say('record.recordPage.passed-every-setting-within')],
  'passed-with-deviations': ['cannot-tell', say('record.recordPage.finished-with-deviations-listed')],
  unfinished: ['plain', say('record.recordPage.unfinished-not-a-certificate')],
}
const circuit = ref<InstanceType<typeof RecordCircuit>>()
/** The circuit is drawn here, so it goes along; where it doesn't, the link gives the record without it. */
async function withCircuit(event: MouseEvent) {
  const drawn = circuit.value?.onPaper()
  const link = event.currentTarget as HTMLAnchorElement
  if (!drawn || !record.value) return
  event.preventDefault()
  try {
    const pdf = await callBlob('POST', link.href, { circuit: drawn })
    download(`${props.tag}-run-${record.value.run}.pdf`, 'application/pdf', pdf)
  } catch {
    window.location.assign(link.href)
  }
}
const outcome = computed(() => OUTCOME[record.value?.outcome ?? ''] ?? ['plain', ''])
</script>

<template>
  <Problems :refused="error ? asRefused(error) : null" />
  <div v-if="record" class="page">
    <section class="card paper">
      <header>
        <div>
          <h1>{{ record.tag }} · {{ record.unitName }}</h1>
          <p class="quiet">
            {{
              say(
                'record.recordPage.drawing-sheet-revision',
                record.drawing,
                record.unitRevision,
                SCHOOL_NAMES[record.school] ?? record.school,
              )
            }}
          </p>
          <p>
            {{ record.technician }}, {{ when(record.startedAt)
            }}<template v-if="record.finishedAt"> {{ say('record.recordPage.to', clock(record.finishedAt)) }}</template
            >{{ record.practice ? say('record.recordPage.practice-rig-not-a') : '' }}
          </p>
        </div>
        <div class="files no-print">
          <a class="main" :href="`/api/runs/${id}/record.pdf?${display.query}`" download @click="withCircuit">{{
            say('record.recordPage.pdf')
          }}</a>
          <a :href="`/api/runs/${id}/record.json`" download>{{ say('record.recordPage.json') }}</a>
          <a :href="`/api/runs/${id}/record.csv`" download>{{ say('record.recordPage.csv') }}</a>
          <a :href="`/api/runs/${id}/label.pdf?${display.query}`" download>{{ say('record.recordPage.label') }}</a>
          <a :href="`/api/runs/${id}/proof.json`" download>{{ say('record.recordPage.proof') }}</a>
          <RouterLink :to="{ name: 'prove' }" class="link">{{ say('record.recordPage.prove-one') }}</RouterLink>
        </div>
      </header>
      <p class="outcome chip" :class="outcome[0]">
        {{ outcome[1] }}{{ record.practice ? say('record.recordPage.on-the-practice-rig') : '' }}
      </p>
      <SignRecord v-if="record.outcome !== 'unfinished'" :record="record" @signed="refetch()" />
      <h2>{{ say('record.recordPage.settings') }}</h2>
      <SettingsTable :settings="record.settings" />
      <RecordCircuit ref="circuit" :tag="tag" :revision="record.unitRevision" />
      <template v-if="record.verified.length">
        <h2>{{ say('verify.tests') }}</h2>
        <TestProof v-for="t in record.verified" :key="t.name" :test="t" />
      </template>
      <template v-if="record.curves.length">
        <h2>{{ say('verify.curves') }}</h2>
        <CurveProof v-for="c in record.curves" :key="c.step" :curve="c" :run="record.run" />
      </template>
      <h2>{{ say('record.recordPage.readings-and-tests') }}</h2>
      <DataTable size="small" :value="record.tests" removable-sort>
        <Column sortable field="phase" :header="say('record.recordPage.phase')">
          <template #body="{ data: t }">{{ t.phase }}</template>
        </Column>
        <Column :header="say('record.recordPage.step')">
          <template #body="{ data: t }">{{ t.action }}</template>
        </Column>
        <Column sortable field="instrument" :header="say('record.recordPage.instrument')">
          <template #body="{ data: t }">{{ t.instrument === 'OIL' ? say('record.recordPage.oil') : t.instrument }}</template>
        </Column>
        <Column :header="say('record.recordPage.read')">
          <template #body="{ data: t }"
            ><b class="nowrap">{{ t.value }} {{ t.unit }}</b></template
          ></Column
        >
        <Column :header="say('record.recordPage.expected')">
          <template #body="{ data: t }">{{ say('record.recordPage.to-2', t.low, t.high, t.unit) }}</template>
        </Column>
        <Column sortable field="verdict" :header="say('record.recordPage.verdict')">
          <template #body="{ data: t }"><Verdict :grade="t.verdict" /></template>
        </Column>
      </DataTable>
      <h2>{{ say('record.recordPage.deviations') }}</h2>
      <p v-if="!record.deviations.length">{{ say('record.recordPage.none') }}</p>
      <ul v-else>
        <li v-for="d in record.deviations" :key="d.step + d.at" :class="{ void: d.standing === 'void' }">
          <b>{{ d.action }}:</b> {{ d.reason }}
          <span class="quiet small">{{ clock(d.at) }}{{ d.standing === 'void' ? say('record.recordPage.void-read-or-turned') : '' }}</span>
        </li>
      </ul>
      <template v-if="record.notes.length">
        <h2>{{ say('record.recordPage.written-down') }}</h2>
        <ul>
          <li v-for="n in record.notes" :key="n.step + n.label + n.at">
            <b>{{ n.label || say('record.recordPage.note') }}:</b> {{ n.text }}
          </li>
        </ul>
      </template>
      <RecordFiles :record="record" @changed="refetch()" />
      <RecordLog :record="record" />
    </section>
    <section class="no-print">
      <Staff v-for="s in record.staffs" :key="s.line" :staff="s" />
    </section>
  </div>
</template>

<style scoped>
.page {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 300px;
  gap: 14px;
}
.paper {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  align-content: start;
  gap: 10px;
}
header {
  display: flex;
  justify-content: space-between;
  gap: 20px;
}
.files {
  display: flex;
  gap: 8px;
  align-items: start;
  flex-wrap: wrap;
  justify-content: flex-end;
}
.files a:not(.link) {
  text-decoration: none;
  font-weight: 600;
  color: var(--ink);
  border: 1.5px solid var(--quiet);
  border-radius: 6px;
  padding: 10px 20px;
}
.files a.main {
  background: var(--gate);
  border-color: var(--gate);
  color: var(--on-gate);
}
.nowrap {
  white-space: nowrap;
}
.outcome {
  font-size: 18px;
  padding: 8px 14px;
  justify-self: start;
}
:deep(td) {
  font-size: 15px;
}
.void,
:deep(.void) {
  text-decoration: line-through;
}
@media (max-width: 800px) {
  .page {
    grid-template-columns: minmax(0, 1fr);
  }
  header {
    flex-wrap: wrap;
  }
}
@media print {
  .page {
    grid-template-columns: 1fr;
  }
}
</style>
