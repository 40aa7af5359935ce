<script setup lang="ts">
import Column from 'primevue/column'
import DataTable from 'primevue/datatable'
import Checkbox from 'primevue/checkbox'
import InputNumber from 'primevue/inputnumber'
import InputText from 'primevue/inputtext'
import { say } from '../words'
import Button from 'primevue/button'
import { computed, ref, watch } from 'vue'
import { asRefused, call, callText, type Refused, type Schema } from '../api/client'
import { download } from '../circuit/exportSvg'
import Problems from '../display/Problems.vue'
import { useUnits } from '../units/useUnits'

const { data: units } = useUnits()
const date = ref(new Date().toISOString().slice(0, 10))
const start = ref('07:00')
const technicians = ref(1)
const tags = ref<string[]>([])
const day = ref<Schema['DayView']>()
const refused = ref<Refused | null>(null)

const request = computed(() => ({ date: date.value, start: start.value, technicians: technicians.value, tags: tags.value }))

let asked = 0
watch(request, async (r) => {
  const mine = ++asked
  if (!r.tags.length) {
    day.value = undefined
    return
  }
  try {
    const found = await call<Schema['DayView']>('POST', '/api/days', r)
    if (mine !== asked) return
    day.value = found
    refused.value = null
  } catch (e) {
    if (mine === asked) refused.value = asRefused(e)
  }
})

const hours = computed(() => {
  const d = day.value
  if (!d?.entries.length) return { from: 0, to: 1 }
  const from = new Date(d.entries[0]?.start ?? '').getTime()
  return { from, to: new Date(d.done).getTime() }
})

function bar(from: string, to: string) {
  const span = hours.value.to - hours.value.from
  const left = (100 * (new Date(from).getTime() - hours.value.from)) / span
  return { left: `${left}%`, width: `${(100 * (new Date(to).getTime() - new Date(from).getTime())) / span}%` }
}

function clock(at: string): string {
  return at.slice(11, 16)
}

async function calendar() {
  try {
    download('day-sheet.ics', 'text/calendar', await callText('POST', '/api/days/calendar', request.value))
  } catch (e) {
    refused.value = asRefused(e)
  }
}
</script>

<template>
  <div class="head">
    <h1>{{ say('day.dayPage.day-sheet') }}</h1>
    <span class="gap"></span><Button :label="say('day.dayPage.calendar-file')" :disabled="!day?.entries.length" @click="calendar" />
  </div>
  <section class="card form">
    <label>{{ say('day.dayPage.date') }} <InputText v-model="date" type="date" /></label>
    <label>{{ say('day.dayPage.begins') }} <InputText v-model="start" type="time" /></label>
    <label
      >{{ say('day.dayPage.technicians') }} <InputNumber v-model="technicians" :min="1" :max="10" show-buttons input-class="few"
    /></label>
    <fieldset>
      <legend>{{ say('day.dayPage.units') }}</legend>
      <label v-for="u in units" :key="u.tag" class="check"
        ><Checkbox v-model="tags" :value="u.tag" :disabled="!u.readable || u.missing > 0" /> {{ u.tag }}
        <span v-if="!u.readable" class="changed small">{{ say('day.dayPage.not-usable') }}</span></label
      >
    </fieldset>
  </section>
  <Problems :refused="refused" />
  <section v-if="day" class="card">
    <DataTable size="small" :value="day.entries" data-key="tag">
      <Column :header="say('day.dayPage.unit')">
        <template #body="{ data: e }"
          ><b>{{ e.tag }}</b>
          <div class="quiet small">{{ e.name }}</div></template
        ></Column
      >
      <Column :header="say('day.dayPage.technician')">
        <template #body="{ data: e }">{{ e.technician }}</template>
      </Column>
      <Column :header="say('day.dayPage.from')">
        <template #body="{ data: e }">{{ clock(e.start) }}</template>
      </Column>
      <Column :header="say('day.dayPage.to')">
        <template #body="{ data: e }">{{ clock(e.end) }}</template>
      </Column>
      <Column :header="say('day.dayPage.the-day-dark-where')" body-class="wide">
        <template #body="{ data: e }"
          ><div class="track">
            <div class="job" :style="bar(e.start, e.end)"></div>
            <div
              v-for="p in e.partner"
              :key="p.from"
              :title="say('day.dayPage.partner-to', clock(p.from), clock(p.to))"
              class="partner"
              :style="bar(p.from, p.to)"
            ></div>
          </div>
          <div class="quiet small">
            {{
              e.partner.length
                ? say(
                    'day.dayPage.partner',
                    e.partner.map((p: Schema['StretchView']) => say('day.dayPage.stretch', clock(p.from), clock(p.to))).join(', '),
                  )
                : say('day.dayPage.not-needed')
            }}
          </div></template
        ></Column
      >
      <Column :header="say('day.dayPage.instruments')" body-class="small">
        <template #body="{ data: e }">{{ e.instruments.join(', ') }}</template>
      </Column>
    </DataTable>

    <p v-if="day.entries.length">
      {{ say('day.dayPage.all-done-at') }} <b>{{ clock(day.done) }}</b>{{ say('day.dayPage.no-instrument-and-no') }}
    </p>
    <p v-for="l in day.leftOut" :key="l.tag" class="out">
      <b>{{ say('day.dayPage.is-left-out', l.tag) }}</b> {{ l.message }}
    </p>
  </section>
  <p v-else class="quiet">{{ say('day.dayPage.choose-the-units-of') }}</p>
</template>

<style scoped>
.head {
  display: flex;
  align-items: center;
  margin: 6px 0 14px;
}
.form {
  display: flex;
  flex-wrap: wrap;
  gap: 10px 20px;
  align-items: center;
  margin-bottom: 12px;
}
label {
  display: inline-flex;
  gap: 8px;
  align-items: center;
  min-height: 44px;
}
fieldset {
  border: 1px solid var(--rule);
  border-radius: 8px;
  display: flex;
  flex-wrap: wrap;
  gap: 0 18px;
}
:deep(.wide) {
  width: 42%;
}
.track {
  position: relative;
  height: 30px;
  background: var(--board);
  border: 1px solid var(--rule);
}
.job,
.partner {
  position: absolute;
  top: 0;
  bottom: 0;
  background: var(--water-soft);
  border: 1.5px solid var(--water);
}
.partner {
  background: var(--gate);
  border-color: var(--gate);
}
.changed,
.out b {
  color: var(--stop);
}
.form :deep(.few) {
  width: 96px;
}
</style>
