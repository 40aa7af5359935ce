<script setup lang="ts">
import Column from 'primevue/column'
import DataTable from 'primevue/datatable'
import type { Schema } from '../api/client'
import { useDisplay } from '../display/display'
import { settingName } from '../display/names'
import { clock } from '../display/time'
import Verdict from '../display/Verdict.vue'
import { say } from '../words'

/** Each setting as found and as left, how far off, the verdict and why. */
defineProps<{ settings: Schema['SettingView'][] }>()
const display = useDisplay()

function off(bar: number) {
  const sign = bar > 0 ? '+' : bar < 0 ? '−' : ''
  return sign + display.show(Math.abs(bar))
}
</script>

<template>
  <DataTable size="small" :value="settings" data-key="setting">
    <Column :header="say('record.recordPage.setting')">
      <template #body="{ data: s }"
        ><b>{{ settingName(s.setting) }}</b></template
      ></Column
    >
    <Column :header="say('record.recordPage.as-found')">
      <template #body="{ data: s }"
        >{{ display.show(s.asFoundBar) }}
        <div class="quiet small">{{ s.asFoundFrom }}</div></template
      ></Column
    >
    <Column :header="say('record.recordPage.as-left')">
      <template #body="{ data: s }"
        ><b v-if="s.asLeftBar !== undefined && s.asLeftBar !== null">{{ display.show(s.asLeftBar) }}</b
        ><span v-else class="quiet">{{ say('record.recordPage.not-yet') }}</span>
        <div v-if="s.crackFoundBar !== null && s.crackFoundBar !== undefined" class="quiet small">
          {{ say('record.recordPage.crack-found', display.show(s.crackFoundBar)) }}
        </div>
        <div v-if="s.standsBar != null && s.standsLowBar != null && s.standsHighBar != null" class="quiet small">
          {{
            say('record.recordPage.relief-itself', display.show(s.standsBar), display.show(s.standsLowBar), display.show(s.standsHighBar))
          }}
        </div>
        <div v-if="s.crackTappedBar !== null && s.crackTappedBar !== undefined" class="quiet small">
          {{ say('record.recordPage.marked-by-hand', display.show(s.crackTappedBar)) }}
        </div></template
      ></Column
    >
    <Column :header="say('record.recordPage.target')">
      <template #body="{ data: s }"
        >{{ display.show(s.targetBar) }}
        <div class="quiet small">± {{ display.show(s.toleranceBar) }}</div></template
      ></Column
    >
    <Column :header="say('record.recordPage.verdict')">
      <template #body="{ data: s }"
        ><Verdict v-if="s.verdict" :grade="s.verdict" />
        <div v-if="s.errorBar !== null && s.errorBar !== undefined" class="small">
          {{ say('record.recordPage.off', off(s.errorBar)) }}
        </div>
        <div v-if="s.why" class="quiet small">{{ s.why }}</div>
        <div v-if="s.attempts > 2" class="quiet small">{{ say('record.recordPage.attempts', s.attempts) }}</div></template
      ></Column
    >
    <Column :header="say('record.recordPage.instrument')" body-class="small">
      <template #body="{ data: s }">{{ s.instrument }}</template>
    </Column>
    <Column :header="say('record.recordPage.oil')">
      <template #body="{ data: s }">{{ s.oilC === undefined || s.oilC === null ? '–' : display.temperature(s.oilC, 1) }}</template>
    </Column>
    <Column :header="say('record.recordPage.read')">
      <template #body="{ data: s }">{{ clock(s.at) }}</template>
    </Column>
  </DataTable>
</template>

<style scoped>
:deep(td) {
  font-size: 15px;
}
</style>
