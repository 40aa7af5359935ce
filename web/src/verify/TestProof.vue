<script setup lang="ts">
import type { Schema } from '../api/client'
import Verdict from '../display/Verdict.vue'
import { say } from '../words'
import TestStrip from './TestStrip.vue'

/** A test of the finished unit: its verdict in figures, and every reading on its scale. */
defineProps<{ test: Schema['TestedView'] }>()
</script>

<template>
  <section class="test">
    <h3>
      {{ test.name }} <Verdict v-if="test.verdict" :grade="test.verdict" /><span v-else class="quiet">{{ say('verify.open') }}</span>
    </h3>
    <p>
      {{ test.said.join(' ') }} <b v-if="test.excused">{{ say('verify.excused') }}</b>
    </p>
    <table v-if="test.readings.length" class="small">
      <thead class="hidden">
        <tr>
          <th>{{ say('record.recordPage.instrument') }}</th>
          <th>{{ say('record.recordPage.read') }}</th>
          <th>{{ say('verify.scale') }}</th>
          <th>{{ say('record.recordPage.expected') }}</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="r in test.readings" :key="r.step + r.instrument">
          <th scope="row">{{ r.instrument === 'OIL' ? say('record.recordPage.oil') : r.instrument }}</th>
          <td>
            <b>{{ r.value }} {{ r.unit }}</b>
          </td>
          <td class="strip"><TestStrip :reading="r" /></td>
          <td class="quiet">{{ say('record.recordPage.to-2', r.low, r.high, r.unit) }}</td>
        </tr>
      </tbody>
    </table>
  </section>
</template>

<style scoped>
.test {
  /* What is only for the ear stays inside, and makes no page longer. */
  position: relative;
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 4px;
  break-inside: avoid;
}
h3 {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  align-items: center;
  margin: 0;
}
p {
  margin: 0;
}
table {
  justify-self: start;
  width: auto;
}
th,
td {
  padding: 2px 18px 2px 0;
  text-align: left;
  vertical-align: middle;
  white-space: nowrap;
}
td:last-child {
  padding-right: 0;
}
/* On a phone each strip has a line of its own. */
@media (max-width: 600px) {
  tbody tr {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
  }
  .strip {
    order: 1;
    flex-basis: 100%;
  }
}
.hidden {
  position: absolute;
  clip-path: inset(50%);
  width: 1px;
  height: 1px;
  overflow: hidden;
}
</style>
