<script setup lang="ts">
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
  changes: '● changes the target',
  new: '● new target',
  same: '○ as it stands',
  'other-unit': '○ another unit',
  refused: '▲ refused',
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
    <Button label="Import a bill of settings (CSV)" severity="secondary" outlined @click="file?.click()" />
    <Problems :refused="refused" />
    <div v-if="rows" class="card preview">
      <h2>{{ rows.length }} {{ rows.length === 1 ? 'row' : 'rows' }}, {{ taken.length }} would change the sheet</h2>
      <table>
        <thead>
          <tr>
            <th>Row</th>
            <th>Setting</th>
            <th>As written</th>
            <th>Fate</th>
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
      <p v-if="rows.length > shown.length" class="quiet">and {{ rows.length - shown.length }} more rows, all read.</p>
      <div class="go">
        <Button label="Take them into the sheet" :disabled="!taken.length" @click="take" />
        <Button label="Leave it" severity="secondary" outlined @click="rows = null" />
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
