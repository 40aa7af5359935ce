<script setup lang="ts">
import { useDisplay } from '../display/display'
import { say } from '../words'
import type { Schema } from '../api/client'
import { SCHOOL_NAMES } from '../display/names'

/** The ways side by side, with what each costs; one that is unsafe here says why. */
defineProps<{ comparison: Schema['ComparisonView'][]; planned: string }>()
const display = useDisplay()
const school = defineModel<string>({ required: true })

function minutes(seconds: number): string {
  return seconds ? `${Math.round(seconds / 60)} min` : 'none'
}
</script>

<template>
  <table>
    <thead>
      <tr>
        <th>{{ say('plan.schoolTable.way') }}</th>
        <th>{{ say('plan.schoolTable.peak-motor-load') }}</th>
        <th>{{ say('plan.schoolTable.heat') }}</th>
        <th>{{ say('plan.schoolTable.oil-warms-by') }}</th>
        <th>{{ say('plan.schoolTable.longest-unprotected') }}</th>
        <th>{{ say('plan.schoolTable.screw-moves') }}</th>
        <th>{{ say('plan.schoolTable.in-all') }}</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="c in comparison" :key="c.school" :class="{ here: c.school === planned, no: c.refused }">
        <td>
          <button
            type="button"
            :disabled="!!c.refused || comparison.length === 1"
            :aria-pressed="c.school === planned"
            @click="school = c.school"
          >
            {{ c.school === planned && !c.refused ? '● ' : c.refused ? '■ ' : '○ ' }}{{ SCHOOL_NAMES[c.school] ?? c.school }}
          </button>
        </td>
        <td :class="{ over: c.refused }">{{ Math.round(c.peakMotorLoad * 100) }} %</td>
        <template v-if="c.refused"
          ><td colspan="5" class="over">{{ say('plan.schoolTable.refused', c.refused) }}</td></template
        >
        <template v-else>
          <td>{{ say('plan.schoolTable.mj', (c.heatKj / 1000).toFixed(1)) }}</td>
          <td>{{ display.warming(c.tankRiseC, 1) }}</td>
          <td>{{ minutes(c.unprotectedS) }}</td>
          <td>{{ c.moves }}</td>
          <td>{{ say('plan.schoolTable.min', c.minutes) }}</td>
        </template>
      </tr>
    </tbody>
  </table>
</template>

<style scoped>
td,
th {
  padding: 2px 10px;
  vertical-align: middle;
}
button {
  min-height: 44px;
  font: inherit;
  font-weight: 600;
  color: inherit;
  background: none;
  border: 0;
  text-align: left;
  cursor: pointer;
}
.here {
  background: var(--gate-soft);
}
.over {
  color: var(--stop);
}
</style>
