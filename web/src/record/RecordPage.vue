<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed } from 'vue'
import { asRefused, call, type Schema } from '../api/client'
import { useDisplay } from '../display/display'
import { SCHOOL_NAMES, settingName } from '../display/names'
import Problems from '../display/Problems.vue'
import Verdict from '../display/Verdict.vue'
import Staff from '../staff/Staff.vue'

const props = defineProps<{ tag: string; id: string }>()
const display = useDisplay()
const { data: record, error } = useQuery({
  queryKey: computed(() => ['record', props.id, display.pressure]),
  queryFn: () => call<Schema['RecordView']>('GET', `/api/runs/${props.id}/record?${display.query}`),
  staleTime: 0,
})
const OUTCOME: Record<string, [string, string]> = {
  passed: ['pass', '✔ Passed: every setting within its tolerance after locking'],
  'passed-with-deviations': ['cannot-tell', '◆ Finished with deviations, listed below'],
  unfinished: ['plain', '◇ Unfinished: not a certificate'],
}
const outcome = computed(() => OUTCOME[record.value?.outcome ?? ''] ?? ['plain', ''])

function when(at?: string | null): string {
  return at ? new Date(at).toLocaleString('en-GB', { dateStyle: 'medium', timeStyle: 'short' }) : '–'
}
function clock(at?: string | null): string {
  return at ? new Date(at).toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' }) : '–'
}
</script>

<template>
  <Problems :refused="error ? asRefused(error) : null" />
  <div v-if="record" class="page">
    <section class="card paper">
      <header>
        <div>
          <h1>{{ record.tag }} · {{ record.unitName }}</h1>
          <p class="quiet">
            Drawing {{ record.drawing }}, sheet revision {{ record.unitRevision }} · {{ SCHOOL_NAMES[record.school] ?? record.school }}
          </p>
          <p>
            {{ record.technician }}, {{ when(record.startedAt)
            }}<template v-if="record.finishedAt"> to {{ clock(record.finishedAt) }}</template
            >{{ record.practice ? ' · practice rig, not a machine' : '' }}
          </p>
        </div>
        <div class="files no-print">
          <a class="main" :href="`/api/runs/${id}/record.pdf?${display.query}`" download>PDF</a>
          <a :href="`/api/runs/${id}/record.json`" download>JSON</a>
        </div>
      </header>
      <p class="outcome chip" :class="outcome[0]">{{ outcome[1] }}{{ record.practice ? ', on the practice rig' : '' }}</p>
      <h2>Settings</h2>
      <table>
        <thead>
          <tr>
            <th>Setting</th>
            <th>As found</th>
            <th>As left</th>
            <th>Target</th>
            <th>Verdict</th>
            <th>Instrument</th>
            <th>Oil</th>
            <th>Read</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="s in record.settings" :key="s.setting">
            <td>
              <b>{{ settingName(s.setting) }}</b>
            </td>
            <td>
              {{ display.show(s.asFoundBar) }}
              <div class="quiet small">{{ s.asFoundFrom }}</div>
            </td>
            <td>
              <b v-if="s.asLeftBar !== undefined && s.asLeftBar !== null">{{ display.show(s.asLeftBar) }}</b><span v-else class="quiet"
                >not yet</span
              >
              <div v-if="s.crackFoundBar !== null && s.crackFoundBar !== undefined" class="quiet small">
                crack found {{ display.show(s.crackFoundBar) }}
              </div>
              <div v-if="s.crackTappedBar !== null && s.crackTappedBar !== undefined" class="quiet small">
                marked by hand {{ display.show(s.crackTappedBar) }}
              </div>
            </td>
            <td>
              {{ display.show(s.targetBar) }}
              <div class="quiet small">± {{ display.show(s.toleranceBar) }}</div>
            </td>
            <td><Verdict v-if="s.verdict" :grade="s.verdict" /></td>
            <td class="small">{{ s.instrument }}</td>
            <td>{{ s.oilC === undefined || s.oilC === null ? '–' : `${s.oilC} °C` }}</td>
            <td>{{ clock(s.at) }}</td>
          </tr>
        </tbody>
      </table>
      <h2>Readings and tests</h2>
      <table>
        <thead>
          <tr>
            <th>Phase</th>
            <th>Step</th>
            <th>Instrument</th>
            <th>Read</th>
            <th>Expected</th>
            <th>Verdict</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="t in record.tests" :key="t.step + t.instrument">
            <td>{{ t.phase }}</td>
            <td>{{ t.action }}</td>
            <td>{{ t.instrument === 'OIL' ? 'Oil' : t.instrument }}</td>
            <td>
              <b>{{ t.value }} {{ t.unit }}</b>
            </td>
            <td>{{ t.low }} to {{ t.high }} {{ t.unit }}</td>
            <td><Verdict :grade="t.verdict" /></td>
          </tr>
        </tbody>
      </table>
      <h2>Deviations</h2>
      <p v-if="!record.deviations.length">None.</p>
      <ul v-else>
        <li v-for="d in record.deviations" :key="d.step + d.at" :class="{ void: d.standing === 'void' }">
          <b>{{ d.action }}:</b> {{ d.reason }}
          <span class="quiet small">{{ clock(d.at) }}{{ d.standing === 'void' ? ', void: read or turned again after it' : '' }}</span>
        </li>
      </ul>
      <template v-if="record.notes.length">
        <h2>Written down</h2>
        <ul>
          <li v-for="n in record.notes" :key="n.step + n.label + n.at">
            <b>{{ n.label || 'Note' }}:</b> {{ n.text }}
          </li>
        </ul>
      </template>
      <details>
        <summary>Every reading taken, {{ record.taken.length }}</summary>
        <table>
          <thead>
            <tr>
              <th>No.</th>
              <th>Time</th>
              <th>Step</th>
              <th>Instrument</th>
              <th>Read</th>
              <th>How</th>
              <th></th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="t in record.taken" :key="t.seq">
              <td>{{ t.seq }}</td>
              <td>{{ clock(t.at) }}</td>
              <td>{{ t.step }}</td>
              <td>{{ t.instrument }}</td>
              <td>{{ t.value }} {{ t.unit }}</td>
              <td>{{ t.source }}</td>
              <td>{{ t.standing === 'earlier' ? 'earlier attempt' : t.standing }}</td>
            </tr>
          </tbody>
        </table>
      </details>
      <details>
        <summary>Log, {{ record.log.length }} entries</summary>
        <table>
          <tbody>
            <tr v-for="l in record.log" :key="l.seq" :class="{ void: l.slip }">
              <td>{{ l.seq }}</td>
              <td>{{ when(l.at) }}</td>
              <td>{{ l.by }}</td>
              <td>{{ l.text }}</td>
            </tr>
          </tbody>
        </table>
      </details>
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
}
.files a {
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
.outcome {
  font-size: 18px;
  padding: 8px 14px;
  justify-self: start;
}
td {
  font-size: 15px;
}
.void {
  text-decoration: line-through;
}
summary {
  min-height: 44px;
  display: flex;
  align-items: center;
  cursor: pointer;
}
@media print {
  .page {
    grid-template-columns: 1fr;
  }
}
</style>
