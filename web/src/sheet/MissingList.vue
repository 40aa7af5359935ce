<script setup lang="ts">
import Button from 'primevue/button'
import { computed } from 'vue'
import type { Refused } from '../api/client'
import type { UnitFile } from '../units/unitFile'
import { missing, type Way } from './missing'

/** What is left to do before a sheet can be checked, each with a button that does it. */
const props = defineProps<{ refused: Refused; unit: UnitFile }>()
const emit = defineEmits<{ mend: [way: (unit: UnitFile) => string[]]; open: [part: string] }>()
const all = computed(() => missing(props.unit, props.refused.places))

function go(way: Way) {
  if (way.mend) emit('mend', way.mend)
  if (way.open) emit('open', way.open)
}
</script>

<template>
  <div class="missing" role="alert">
    <b>{{ refused.title }}</b>
    <ul>
      <li v-for="m in all" :key="m.text + m.path">
        <span
          >◆ <code v-if="m.path">{{ m.path }}</code> {{ m.text }}</span
        >
        <Button v-for="w in m.ways" :key="w.label" :label="w.label" severity="secondary" outlined @click="go(w)" />
      </li>
    </ul>
  </div>
</template>

<style scoped>
.missing {
  border-left: 6px solid var(--gold);
  background: var(--card);
  padding: 8px 14px;
  border-radius: 6px;
  margin: 8px 0;
}
ul {
  list-style: none;
  margin: 4px 0 0;
  padding: 0;
  display: grid;
  gap: 6px;
  max-height: 190px;
  overflow-y: auto;
}
li {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 12px;
  align-items: center;
}
code {
  font-family: 'Atkinson Hyperlegible Mono', monospace;
  font-weight: 600;
}
</style>
