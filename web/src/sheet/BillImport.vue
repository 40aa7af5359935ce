<script setup lang="ts">
import { say } from '../words'
import Button from 'primevue/button'
import { computed, ref } from 'vue'
import { asRefused, call, type Refused, type Schema } from '../api/client'
import { useDisplay } from '../display/display'
import { settingName } from '../display/names'
import Problems from '../display/Problems.vue'
import type { UnitFile } from '../units/unitFile'

const props = defineProps<{ tag: string }>()
const unit = defineModel<UnitFile>({ required: true })
const display = useDisplay()
const file = ref<HTMLInputElement>()
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

async function read(event: Event) {
  const input = event.target as HTMLInputElement
  const chosen = input.files?.[0]
  if (!chosen) return
  refused.value = null
  rows.value = null
  try {
    rows.value = await call<Schema['BillRow'][]>('POST', `/api/units/${props.tag}/bill?${display.query}`, {
      document: unit.value,
      csv: await chosen.text(),
    })
  } catch (e) {
    refused.value = asRefused(e)
  } finally {
    input.value = ''
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
    <input ref="file" type="file" accept=".csv,text/csv" hidden @change="read" />
    <Button :label="say('sheet.billImport.import-a-bill-of')" severity="secondary" outlined @click="file?.click()" />
    <Problems :refused="refused" />
    <div v-if="rows" class="card preview">
      <h2>
        {{
          say(rows.length === 1 ? 'sheet.billImport.one-row-read' : 'sheet.billImport.would-change-the-sheet', rows.length, taken.length)
        }}
      </h2>
      <table>
        <thead>
          <tr>
            <th>{{ say('sheet.billImport.row') }}</th>
            <th>{{ say('sheet.billImport.setting') }}</th>
            <th>{{ say('sheet.billImport.as-written') }}</th>
            <th>{{ say('sheet.billImport.fate') }}</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="r in shown" :key="r.line" :class="r.fate">
            <td>{{ r.line }}</td>
            <td>{{ settingName(r.setting) }}</td>
            <td>{{ r.written }}</td>
            <td>
              <b>{{ FATES[r.fate] }}</b> {{ r.why }}
            </td>
          </tr>
        </tbody>
      </table>
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
.refused b {
  color: var(--stop);
}
.go {
  display: flex;
  gap: 10px;
}
</style>
