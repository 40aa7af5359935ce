<script setup lang="ts">
import { say } from '../words'
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import Button from 'primevue/button'
import { ref } from 'vue'
import { asRefused, call, type Refused, type Schema } from '../api/client'
import { typedNumber } from '../display/quantity'
import Problems from '../display/Problems.vue'
import FitInstrument from './FitInstrument.vue'

type Instrument = Schema['Instrument']

const queries = useQueryClient()
const { data: all, error } = useQuery({ queryKey: ['instruments'], queryFn: () => call<Instrument[]>('GET', '/api/instruments') })
const refused = ref<Refused | null>(null)
const fitting = ref<Instrument>()
const EMPTY = {
  id: 0,
  name: '',
  kind: 'gauge',
  unit: 'bar',
  range: '250',
  accuracyClass: '0.6',
  resolution: '0.5',
  calibrationDue: '',
  medium: 'oil',
  retired: false,
}
const form = ref<typeof EMPTY>()
const KINDS: Record<string, string[]> = {
  gauge: ['bar', 'psi', 'MPa'],
  transducer: ['bar', 'psi', 'MPa'],
  'flow-meter': ['L/min'],
  'clamp-meter': ['A'],
}

function edit(i: Instrument) {
  form.value = {
    ...i,
    range: String(i.range),
    accuracyClass: String(i.accuracyClass),
    resolution: String(i.resolution),
    calibrationDue: i.calibrationDue ?? '',
  }
}

function number(text: string): number | null {
  const value = typedNumber(text)
  return Number.isNaN(value) ? null : value
}

async function save() {
  const f = form.value
  if (!f) return
  const body = {
    ...f,
    range: number(f.range),
    accuracyClass: number(f.accuracyClass),
    resolution: number(f.resolution),
    calibrationDue: f.calibrationDue || null,
  }
  try {
    await call('' + (f.id ? 'PUT' : 'POST'), f.id ? `/api/instruments/${f.id}` : '/api/instruments', body, true)
    form.value = undefined
    refused.value = null
    await queries.invalidateQueries({ queryKey: ['instruments'] })
  } catch (e) {
    refused.value = asRefused(e)
  }
}

function state(i: Instrument): string {
  if (i.retired) return say('instruments.instrumentsPage.out-of-use-2')
  if (!i.calibrationDue) return say('instruments.instrumentsPage.no-date')
  return i.calibrationDue < new Date().toISOString().slice(0, 10)
    ? say('instruments.instrumentsPage.ran-out')
    : say('instruments.instrumentsPage.valid')
}
</script>

<template>
  <div class="head">
    <h1>{{ say('instruments.instrumentsPage.instruments') }}</h1>
    <span class="quiet">{{ say('instruments.instrumentsPage.in-the-register', all?.length ?? 0) }}</span>
    <span class="gap"></span>
    <Button :label="say('instruments.instrumentsPage.add-an-instrument')" severity="secondary" outlined @click="form = { ...EMPTY }" />
  </div>
  <Problems :refused="error ? asRefused(error) : null" />
  <form v-if="form" class="card form" @submit.prevent="save">
    <label>{{ say('instruments.instrumentsPage.name') }} <input v-model="form.name" class="p-inputtext" /></label>
    <label
      >{{ say('instruments.instrumentsPage.kind') }}
      <select v-model="form.kind" class="p-inputtext" @change="form.unit = KINDS[form.kind]?.[0] ?? 'bar'">
        <option v-for="(_, k) in KINDS" :key="k" :value="k">{{ k.replace('-', ' ') }}</option>
      </select></label
    >
    <label
      >{{ say('instruments.instrumentsPage.unit') }}
      <select v-model="form.unit" class="p-inputtext">
        <option v-for="u in KINDS[form.kind]" :key="u">{{ u }}</option>
      </select></label
    >
    <label
      >{{ say('instruments.instrumentsPage.range', form.unit) }} <input v-model="form.range" class="p-inputtext" inputmode="decimal"
    /></label>
    <label
      >{{ say('instruments.instrumentsPage.class-of-range') }} <input v-model="form.accuracyClass" class="p-inputtext" inputmode="decimal"
    /></label>
    <label
      >{{ say('instruments.instrumentsPage.resolution', form.unit) }}
      <input v-model="form.resolution" class="p-inputtext" inputmode="decimal"
    /></label>
    <label
      >{{ say('instruments.instrumentsPage.calibration-due') }} <input v-model="form.calibrationDue" type="date" class="p-inputtext"
    /></label>
    <label>{{ say('instruments.instrumentsPage.medium-it-has-seen') }} <input v-model="form.medium" class="p-inputtext" /></label>
    <label class="check"><input v-model="form.retired" type="checkbox" /> {{ say('instruments.instrumentsPage.out-of-use') }}</label>
    <Problems :refused="refused" />
    <div class="go">
      <Button type="submit" :label="say('instruments.instrumentsPage.keep')" /><Button
        :label="say('instruments.instrumentsPage.leave-it')"
        severity="secondary"
        outlined
        @click="form = undefined"
      />
    </div>
  </form>
  <FitInstrument v-if="fitting" :key="fitting.id" :instrument="fitting" @done="fitting = undefined" />
  <div class="card">
    <table>
      <thead>
        <tr>
          <th>{{ say('instruments.instrumentsPage.name') }}</th>
          <th>{{ say('instruments.instrumentsPage.kind') }}</th>
          <th>{{ say('instruments.instrumentsPage.range-2') }}</th>
          <th>{{ say('instruments.instrumentsPage.class') }}</th>
          <th>{{ say('instruments.instrumentsPage.resolution-2') }}</th>
          <th>{{ say('instruments.instrumentsPage.calibration') }}</th>
          <th>{{ say('instruments.instrumentsPage.medium') }}</th>
          <th>
            <span class="hidden">{{ say('instruments.instrumentsPage.do') }}</span>
          </th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="i in all" :key="i.id">
          <td>
            <b>{{ i.name }}</b>
          </td>
          <td>{{ i.kind.replace('-', ' ') }}</td>
          <td>{{ say('instruments.instrumentsPage.to', i.range, i.unit) }}</td>
          <td>{{ i.accuracyClass }}</td>
          <td>{{ i.resolution }} {{ i.unit }}</td>
          <td :class="{ out: state(i).startsWith('▲') }">
            <b>{{ state(i) }}</b> {{ i.calibrationDue ?? '' }}
          </td>
          <td :class="{ out: i.medium !== 'oil' }">{{ i.medium }}</td>
          <td class="go">
            <Button
              :label="say('instruments.instrumentsPage.change')"
              :aria-label="say('instruments.instrumentsPage.change-2', i.name)"
              severity="secondary"
              outlined
              @click="edit(i)"
            />
            <Button
              v-if="KINDS.gauge?.includes(i.unit)"
              :label="say('instruments.instrumentsPage.fit')"
              :aria-label="say('instruments.instrumentsPage.fit-2', i.name)"
              outlined
              @click="fitting = i"
            />
          </td>
        </tr>
      </tbody>
    </table>
    <p v-if="all && !all.length" class="quiet">{{ say('instruments.instrumentsPage.no-instrument-yet-add') }}</p>
  </div>
</template>

<style scoped>
.head {
  display: flex;
  align-items: center;
  gap: 14px;
  margin: 6px 0 14px;
}
.form {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(220px, 1fr));
  gap: 12px;
  margin-bottom: 12px;
  align-items: end;
}
.form label {
  display: grid;
  gap: 4px;
}
.form .check {
  display: flex;
  align-items: center;
  gap: 8px;
  min-height: 44px;
}
.form :deep(.problems) {
  grid-column: 1 / -1;
}
.go {
  display: flex;
  gap: 8px;
}
.out {
  color: var(--stop);
}
.hidden {
  position: absolute;
  left: -9999px;
}
</style>
