<script setup lang="ts">
import Button from 'primevue/button'
import Column from 'primevue/column'
import DataTable from 'primevue/datatable'
import InputText from 'primevue/inputtext'
import { computed, ref } from 'vue'
import type { Schema } from '../api/client'
import { PRESSURE_UNITS, toBar, type PressureUnit } from '../display/quantity'
import { say } from '../words'

/** The register: found by any word of it, in the order of any column. */
type Instrument = Schema['Instrument']
const props = defineProps<{ all: Instrument[] }>()
const emit = defineEmits<{ change: [i: Instrument]; fit: [i: Instrument] }>()
const find = ref('')

function kind(i: Instrument): string {
  return i.kind.replace('-', ' ')
}

function isPressure(unit: string): unit is PressureUnit {
  return PRESSURE_UNITS.includes(unit as PressureUnit)
}

/** Dials in psi stand among those in bar. */
function range(i: Instrument): number {
  return isPressure(i.unit) ? toBar(i.range, i.unit) : i.range
}

function state(i: Instrument): string {
  if (i.damaged) return say('display.changed.row')
  if (i.retired) return say('instruments.instrumentsPage.out-of-use-2')
  if (!i.calibrationDue) return say('instruments.instrumentsPage.no-date')
  return i.calibrationDue < new Date().toISOString().slice(0, 10)
    ? say('instruments.instrumentsPage.ran-out')
    : say('instruments.instrumentsPage.valid')
}

const shown = computed(() => {
  const words = find.value.toLowerCase().split(/\s+/)
  const found = props.all.filter((i) => {
    const text = [i.name, kind(i), `${i.range} ${i.unit}`, state(i), i.calibrationDue, i.medium].join(' ').toLowerCase()
    return words.every((w) => text.includes(w))
  })
  return found.map((i) => ({ ...i, inBar: range(i) }))
})
</script>

<template>
  <div class="card">
    <InputText
      v-if="all.length > 1"
      v-model="find"
      class="find"
      :placeholder="say('instruments.instrumentTable.find')"
      :aria-label="say('instruments.instrumentTable.find')"
    />
    <DataTable size="small" :value="shown" data-key="id" removable-sort scrollable>
      <template #empty>{{
        all.length ? say('instruments.instrumentTable.none', find) : say('instruments.instrumentsPage.no-instrument-yet-add')
      }}</template>
      <Column field="name" :header="say('instruments.instrumentsPage.name')" sortable>
        <template #body="{ data: i }">
          <b>{{ i.name }}</b>
        </template>
      </Column>
      <Column field="kind" :header="say('instruments.instrumentsPage.kind')" sortable>
        <template #body="{ data: i }">{{ kind(i) }}</template>
      </Column>
      <Column sort-field="inBar" :header="say('instruments.instrumentsPage.range-2')" sortable>
        <template #body="{ data: i }">{{ say('instruments.instrumentsPage.to', i.range, i.unit) }}</template>
      </Column>
      <Column field="accuracyClass" :header="say('instruments.instrumentsPage.class')" sortable />
      <Column field="resolution" :header="say('instruments.instrumentsPage.resolution-2')" sortable>
        <template #body="{ data: i }">{{ i.resolution }} {{ i.unit }}</template>
      </Column>
      <Column field="calibrationDue" :header="say('instruments.instrumentsPage.calibration')" sortable>
        <template #body="{ data: i }">
          <span :class="{ out: state(i).startsWith('▲') }"
            ><b>{{ state(i) }}</b> <span class="day">{{ i.calibrationDue ?? '' }}</span></span
          >
        </template>
      </Column>
      <Column field="medium" :header="say('instruments.instrumentsPage.medium')" sortable>
        <template #body="{ data: i }">
          <span :class="{ out: i.medium !== 'oil' }">{{ i.medium }}</span>
        </template>
      </Column>
      <Column>
        <template #header>
          <span class="hidden">{{ say('instruments.instrumentsPage.do') }}</span>
        </template>
        <template #body="{ data: i }">
          <span class="go">
            <Button
              :label="say('instruments.instrumentsPage.change')"
              :aria-label="say('instruments.instrumentsPage.change-2', i.name)"
              severity="secondary"
              outlined
              @click="emit('change', i)"
            />
            <Button
              v-if="isPressure(i.unit)"
              :label="say('instruments.instrumentsPage.fit')"
              :aria-label="say('instruments.instrumentsPage.fit-2', i.name)"
              outlined
              @click="emit('fit', i)"
            />
          </span>
        </template>
      </Column>
    </DataTable>
  </div>
</template>

<style scoped>
.find {
  width: min(420px, 100%);
  margin-bottom: 8px;
}
.day {
  white-space: nowrap;
}
:deep(td) {
  vertical-align: middle;
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
