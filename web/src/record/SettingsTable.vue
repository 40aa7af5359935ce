<script setup lang="ts">
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
  <table>
    <thead>
      <tr>
        <th>{{ say('record.recordPage.setting') }}</th>
        <th>{{ say('record.recordPage.as-found') }}</th>
        <th>{{ say('record.recordPage.as-left') }}</th>
        <th>{{ say('record.recordPage.target') }}</th>
        <th>{{ say('record.recordPage.verdict') }}</th>
        <th>{{ say('record.recordPage.instrument') }}</th>
        <th>{{ say('record.recordPage.oil') }}</th>
        <th>{{ say('record.recordPage.read') }}</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="s in settings" :key="s.setting">
        <td>
          <b>{{ settingName(s.setting) }}</b>
        </td>
        <td>
          {{ display.show(s.asFoundBar) }}
          <div class="quiet small">{{ s.asFoundFrom }}</div>
        </td>
        <td>
          <b v-if="s.asLeftBar !== undefined && s.asLeftBar !== null">{{ display.show(s.asLeftBar) }}</b><span v-else class="quiet">{{
            say('record.recordPage.not-yet')
          }}</span>
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
          </div>
        </td>
        <td>
          {{ display.show(s.targetBar) }}
          <div class="quiet small">± {{ display.show(s.toleranceBar) }}</div>
        </td>
        <td>
          <Verdict v-if="s.verdict" :grade="s.verdict" />
          <div v-if="s.errorBar !== null && s.errorBar !== undefined" class="small">
            {{ say('record.recordPage.off', off(s.errorBar)) }}
          </div>
          <div v-if="s.why" class="quiet small">{{ s.why }}</div>
          <div v-if="s.attempts > 2" class="quiet small">{{ say('record.recordPage.attempts', s.attempts) }}</div>
        </td>
        <td class="small">{{ s.instrument }}</td>
        <td>{{ s.oilC === undefined || s.oilC === null ? '–' : display.temperature(s.oilC, 1) }}</td>
        <td>{{ clock(s.at) }}</td>
      </tr>
    </tbody>
  </table>
</template>

<style scoped>
td {
  font-size: 15px;
}
</style>
