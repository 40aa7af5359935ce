<script setup lang="ts">
import Checkbox from 'primevue/checkbox'
import Select from 'primevue/select'
import InputText from 'primevue/inputtext'
import { say } from '../words'
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import Button from 'primevue/button'
import { ref } from 'vue'
import { asRefused, call, type Refused, type Schema } from '../api/client'
import { typedNumber } from '../display/quantity'
import Problems from '../display/Problems.vue'
import FitInstrument from './FitInstrument.vue'
import InstrumentTable from './InstrumentTable.vue'

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
    <label>{{ say('instruments.instrumentsPage.name') }} <InputText v-model="form.name" /></label>
    <label
      >{{ say('instruments.instrumentsPage.kind') }}
      <Select
        v-model="form.kind"
        :options="Object.keys(KINDS)"
        :option-label="(k) => k.replace('-', ' ')"
        :aria-label="say('instruments.instrumentsPage.kind')"
        @change="form.unit = KINDS[form.kind]?.[0] ?? 'bar'"
    /></label>
    <label
      >{{ say('instruments.instrumentsPage.unit') }}
      <Select v-model="form.unit" :options="KINDS[form.kind]" :aria-label="say('instruments.instrumentsPage.unit')"
    /></label>
    <label>{{ say('instruments.instrumentsPage.range', form.unit) }} <InputText v-model="form.range" inputmode="decimal" /></label>
    <label>{{ say('instruments.instrumentsPage.class-of-range') }} <InputText v-model="form.accuracyClass" inputmode="decimal" /></label>
    <label
      >{{ say('instruments.instrumentsPage.resolution', form.unit) }} <InputText v-model="form.resolution" inputmode="decimal"
    /></label>
    <label>{{ say('instruments.instrumentsPage.calibration-due') }} <InputText v-model="form.calibrationDue" type="date" /></label>
    <label>{{ say('instruments.instrumentsPage.medium-it-has-seen') }} <InputText v-model="form.medium" /></label>
    <label class="check"><Checkbox v-model="form.retired" binary /> {{ say('instruments.instrumentsPage.out-of-use') }}</label>
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
  <InstrumentTable v-if="all" :all="all" @change="edit" @fit="(i) => (fitting = i)" />
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
</style>
