<script setup lang="ts">
import { computed } from 'vue'
import type { Schema } from '../api/client'
import Circuit from '../circuit/Circuit.vue'
import Findings from '../sheet/Findings.vue'
import Staff from '../staff/Staff.vue'
import type { UnitFile } from '../units/unitFile'
import { say } from '../words'

/** The unit as far as it is known: circuit, staffs, what the ladder finds, and how much of it is nobody's word yet. */
const props = defineProps<{ drawn?: Schema['DrawnView']; sheet?: Schema['SheetView']; example?: unknown }>()
const unit = computed(() => (props.drawn?.document ?? props.example) as UnitFile | undefined)
const findings = computed(() => props.sheet?.ladder.findings.filter((f) => f.severity !== 'info') ?? [])
</script>

<template>
  <div v-if="unit" class="card">
    <p v-if="!drawn?.document" class="small quiet">{{ say('begin.drawn.as-often-built') }}</p>
    <p v-else-if="drawn.unconfirmed.length" class="small quiet">{{ say('begin.drawn.defaults', drawn.unconfirmed.length) }}</p>
    <ul v-if="drawn?.problems.length" class="wrong" role="alert">
      <li v-for="p in drawn.problems" :key="p">{{ p }}</li>
    </ul>
    <Circuit :unit="unit" :steady="sheet?.steady" class="circuit" />
    <div v-if="sheet" class="staffs">
      <Staff v-for="s in sheet.staffs" :key="s.line" :staff="s" :tall="300" />
    </div>
    <Findings v-if="sheet" :findings="findings" />
  </div>
</template>

<style scoped>
.circuit :deep(svg) {
  max-height: 380px;
}
.staffs {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
.staffs > * {
  max-width: 260px;
}
.wrong {
  color: var(--stop);
  font-weight: 600;
}
</style>
