<script setup lang="ts">
import Button from 'primevue/button'
import Column from 'primevue/column'
import DataTable from 'primevue/datatable'
import { say } from '../words'
import { computed } from 'vue'
import type { Schema } from '../api/client'
import { useDisplay } from '../display/display'
import { pressureNumber, toBar } from '../display/quantity'
import { settingName, settingOf } from '../display/names'
import { kindOf } from '../parts/kinds'
import type { UnitFile } from '../units/unitFile'
import NumberField from './NumberField.vue'
import TargetField from './TargetField.vue'

const props = defineProps<{ targets?: Schema['TargetsView'] }>()
const unit = defineModel<UnitFile>({ required: true })
const measured = defineModel<Record<string, number>>('measured', { required: true })
const display = useDisplay()
const loadSensing = computed(() => unit.value.components.filter((c) => c.loadSense !== undefined))

function standby(id: string, bar: number | undefined) {
  const others = Object.fromEntries(Object.entries(measured.value).filter(([key]) => key !== `${id}.loadSense`))
  measured.value = bar === undefined ? others : { ...others, [`${id}.loadSense`]: bar }
}

type Row = Schema['SettingTarget']

const KINDS: Record<string, string> = {
  'no-load': say('sheet.targetTable.without-load'),
  work: say('sheet.targetTable.work'),
  'cut-off': say('sheet.targetTable.cut-off'),
  relief: say('sheet.targetTable.over-the-relief'),
}

const rows = computed<Row[]>(() => {
  const given = (setting: string) => unit.value.targets?.some((t) => t.setting === setting) ?? false
  const known = (props.targets?.settings ?? []).map((k) => ({ ...k, derived: k.derived && !given(k.setting) }))
  const bare = (unit.value.targets ?? []).filter((t) => t.pressureBar !== undefined && !known.some((k) => k.setting === t.setting))
  return [
    ...known,
    ...bare.map((t) => ({
      setting: t.setting,
      pressureBar: t.pressureBar,
      toleranceBar: t.toleranceBar ?? t.pressureBar * 0.02,
      defined: t.defined ?? '',
      derived: false,
      from: '',
      reads: [],
      trouble: '',
    })),
  ]
})

/** What the target is a pressure of. */
function meant(r: Row): string {
  const { control } = settingOf(r.setting)
  if (control === 'compensator') return say('sheet.targetTable.is-cut-off')
  if (control === 'loadSense') return say('sheet.targetTable.margin-with-flow')
  const part = unit.value.components.find((c) => c.id === r.setting)
  return (part && kindOf(part).target?.(part, r.defined)) ?? say('sheet.targetTable.limit')
}

function present(setting: string): number | undefined {
  const { part: id, control } = settingOf(setting)
  const part = unit.value.components.find((c) => c.id === id)
  const held = (control ? part?.[control] : part) as { settingBar?: number; marginBar?: number } | undefined
  return held?.settingBar ?? held?.marginBar
}

function put(setting: string, change: { pressureBar?: number; toleranceBar?: number }) {
  const targets = (unit.value.targets ??= [])
  const there = targets.find((t) => t.setting === setting)
  const row = rows.value.find((r) => r.setting === setting)
  if (there) Object.assign(there, change)
  else if (row) targets.push({ setting, pressureBar: row.pressureBar, toleranceBar: row.toleranceBar, ...change })
}

/** Whole psi, as they stand on paper; bar and MPa as fine as they are shown. */
function asShown(bar: number): number {
  return Number(toBar(Number(pressureNumber(bar, display.pressure)), display.pressure).toPrecision(9))
}

function number(value: number, unitName: string): string {
  return value.toFixed(unitName === 'psi' ? 0 : unitName === 'MPa' ? 2 : 1)
}

function where(read: Schema['ReadView']): string {
  const s = read.situation as { positions?: Record<string, string>; openings?: Record<string, number> }
  const parts = [
    ...Object.entries(s.positions ?? {}).map(([id, p]) => say('sheet.targetTable.in-position', id, p)),
    ...Object.entries(s.openings ?? {})
      .filter(([, o]) => o > 0)
      .map(([id, o]) => say('sheet.targetTable.open', id, Math.round(o * 100))),
    ...read.raised.map((id) => say('sheet.targetTable.raised', settingName(id))),
  ]
  return parts.length ? parts.join(', ') : say('sheet.targetTable.load-shut')
}

function subject(p: Schema['PointView']): string {
  return p.kind === 'work' ? (unit.value.work?.find((w) => w.id === p.subject)?.name ?? p.subject) : settingName(p.subject)
}
</script>

<template>
  <div class="sheet">
    <p v-for="p in loadSensing" :key="p.id" class="standby no-print">
      {{ say('sheet.targetTable.standby-of-as-measured', p.id) }}
      <NumberField
        :label="say('sheet.targetTable.standby-of-as-measured', p.id)"
        :value="measured[`${p.id}.loadSense`]"
        unit="bar"
        @change="standby(p.id, $event)"
      />
      <span class="quiet small">{{ say('sheet.targetTable.section-reliefs-read-that') }}</span>
    </p>
    <DataTable size="small" :value="rows" data-key="setting">
      <Column :header="say('sheet.targetTable.setting')">
        <template #body="{ data: r }"
          ><b>{{ settingName(r.setting) }}</b>
          <div class="quiet small">{{ meant(r) }}</div></template
        ></Column
      >
      <Column :header="say('sheet.targetTable.target')">
        <template #body="{ data: r }"
          ><TargetField
            :label="say('sheet.targetTable.target-of', settingName(r.setting))"
            :bar="r.pressureBar"
            @change="put(r.setting, { pressureBar: $event })" />
          <div v-if="r.derived" class="derived small">
            {{ say('sheet.targetTable.derived', r.from) }}
            <Button
              outlined
              :label="say('sheet.targetTable.take-it')"
              @click="put(r.setting, { pressureBar: asShown(r.pressureBar) })"
            /></div></template
      ></Column>
      <Column :header="say('sheet.targetTable.tolerance')">
        <template #body="{ data: r }"
          ><TargetField
            :label="say('sheet.targetTable.tolerance-of', settingName(r.setting))"
            :bar="r.toleranceBar"
            @change="put(r.setting, { toleranceBar: $event })"
        /></template>
      </Column>
      <Column :header="say('sheet.targetTable.stands-at')" body-class="nowrap">
        <template #body="{ data: r }">{{ present(r.setting) === undefined ? '' : display.show(present(r.setting) ?? 0) }}</template>
      </Column>
      <Column :header="say('sheet.targetTable.the-gauge-must-show')">
        <template #body="{ data: r }"
          ><div v-for="g in r.reads" :key="g.testPoint" class="nowrap">
            {{ g.testPoint }} <b class="live">{{ number(g.value, g.reads) }}</b> {{ g.reads }}
            <span class="quiet small">{{ say('sheet.targetTable.to', number(g.low, g.reads), number(g.high, g.reads)) }}</span>
          </div>
          <div v-if="r.trouble" class="trouble">▲ {{ r.trouble }}</div></template
        ></Column
      >
      <Column :header="say('sheet.targetTable.with')" body-class="small">
        <template #body="{ data: r }">{{ r.reads[0] ? where(r.reads[0]) : '' }}</template>
      </Column>
    </DataTable>

    <p v-if="targets?.missing.length" class="trouble">
      {{ say('sheet.targetTable.no-target-and-nothing', targets.missing.map((m) => settingName(m)).join(', ')) }}
    </p>
    <h2>{{ say('sheet.targetTable.what-the-unit-must') }}</h2>
    <DataTable v-if="targets?.points.length" size="small" :value="targets.points">
      <Column :header="say('sheet.targetTable.point')">
        <template #body="{ data: p }"
          ><b>{{ KINDS[p.kind] }}</b> {{ subject(p) }}</template
        ></Column
      >
      <Column :header="say('sheet.targetTable.pressure')">
        <template #body="{ data: p }">{{ display.show(p.pressureBar) }}</template>
      </Column>
      <Column :header="say('sheet.targetTable.flow')">
        <template #body="{ data: p }">{{ display.flow(p.flowLpm, 1) }}</template>
      </Column>
      <Column :header="say('sheet.targetTable.asked')">
        <template #body="{ data: p }"
          >{{ p.askedLpm ? display.flow(p.askedLpm, 1) : '' }}
          <b v-if="p.askedLpm > p.flowLpm + 0.05" class="trouble">{{ say('sheet.targetTable.short') }}</b></template
        ></Column
      >
      <Column :header="say('sheet.targetTable.prime-mover')">
        <template #body="{ data: p }"
          ><div v-for="d in p.drives" :key="d.driver">
            {{ say('sheet.targetTable.rpm-kw', d.driver, d.speedRpm.toFixed(0), display.power(d.powerKw, 1), Math.round(d.load * 100))
            }}<template v-if="d.currentA">, {{ d.currentA.toFixed(1) }} A</template>
          </div></template
        ></Column
      >
    </DataTable>
  </div>
</template>

<style scoped>
.sheet {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 12px;
}
.standby {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  align-items: center;
}
.nowrap,
:deep(.nowrap) {
  white-space: nowrap;
}
.derived {
  color: var(--gold-text);
  max-width: 260px;
}
.derived .p-button {
  color: var(--gold-text);
  border: 1px dashed var(--gold);
}
.trouble {
  color: var(--stop);
}
:deep(td .field) {
  min-width: 148px;
}
</style>
