<script setup lang="ts">
import Column from 'primevue/column'
import DataTable from 'primevue/datatable'
import { say } from '../words'
import Button from 'primevue/button'
import { computed, ref } from 'vue'
import { asRefused, call, type Refused, type Schema } from '../api/client'
import { useDisplay } from '../display/display'
import { settingName } from '../display/names'
import FileDrop from '../display/FileDrop.vue'
import Problems from '../display/Problems.vue'
import type { UnitFile } from '../units/unitFile'

const props = defineProps<{ tag: string }>()
const unit = defineModel<UnitFile>({ required: true })
const display = useDisplay()
const rows = ref<Schema['BillRow'][] | null>(null)
const refused = ref<Refused | null>(null)
const FATES: Record<string, string> = {
  changes: say('sheet.billImport.changes-the-target'),
  new: say('sheet.billImport.new-target'),
  same: say('sheet.billImport.as-it-stands'),
  'other-unit': say('sheet.billImport.another-unit'),
  refused: say('sheet.billImport.refused'),
}
const taken = computed(() => rows.value?.filter((r) => r.fate === 'changes' || r.fate === 'new') ?? [])
const shown = computed(() => rows.value?.slice(0, 200) ?? [])

async function read(chosen: File) {
  refused.value = null
  rows.value = null
  try {
    rows.value = await call<Schema['BillRow'][]>('POST', `/api/units/${props.tag}/bill?${display.query}`, {
      document: unit.value,
      csv: await chosen.text(),
    })
  } catch (e) {
    refused.value = asRefused(e)
  }
}

function take() {
  const targets = (unit.value.targets ??= [])
  for (const r of taken.value) {
    const there = targets.find((t) => t.setting === r.setting)
    const values = {
      pressureBar: Number(r.pressureBar.toPrecision(6)),
      ...(r.toleranceBar ? { toleranceBar: Number(r.toleranceBar.toPrecision(6)) } : {}),
    }
    if (there) Object.assign(there, values)
    else targets.push({ setting: r.setting, ...values })
  }
  rows.value = null
}
</script>

<template>
  <div>
    <FileDrop :label="say('sheet.billImport.import-a-bill-of')" accept=".csv,text/csv" @file="read" />
    <Problems :refused="refused" />
    <div v-if="rows" class="card preview">
      <h2>
        {{
          say(rows.length === 1 ? 'sheet.billImport.one-row-read' : 'sheet.billImport.would-change-the-sheet', rows.length, taken.length)
        }}
      </h2>
      <DataTable size="small" :value="shown" data-key="line" :row-class="(r: Schema['BillRow']) => r.fate" scrollable scroll-height="420px">
        <Column :header="say('sheet.billImport.row')">
          <template #body="{ data: r }">{{ r.line }}</template>
        </Column>
        <Column :header="say('sheet.billImport.setting')">
          <template #body="{ data: r }">{{ settingName(r.setting) }}</template>
        </Column>
        <Column :header="say('sheet.billImport.as-written')">
          <template #body="{ data: r }">{{ r.written }}</template>
        </Column>
        <Column :header="say('sheet.billImport.fate')">
          <template #body="{ data: r }"
            ><b>{{ FATES[r.fate] }}</b> {{ r.why }}</template
          ></Column
        >
      </DataTable>

      <p v-if="rows.length > shown.length" class="quiet">{{ say('sheet.billImport.and-more-rows-all', rows.length - shown.length) }}</p>
      <div class="go">
        <Button :label="say('sheet.billImport.take-them-into-the')" :disabled="!taken.length" @click="take" />
        <Button :label="say('sheet.billImport.leave-it')" severity="secondary" outlined @click="rows = null" />
      </div>
    </div>
  </div>
</template>

<style scoped>
.preview {
  margin-top: 10px;
  display: grid;
  gap: 10px;
}
:deep(.refused b) {
  color: var(--stop);
}
.go {
  display: flex;
  gap: 10px;
}
</style>
