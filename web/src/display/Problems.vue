<script setup lang="ts">
import type { Refused } from '../api/client'

defineProps<{ refused: Refused | null }>()
</script>

<template>
  <div v-if="refused" class="problems" role="alert">
    <b>{{ refused.title }}</b>
    <ul v-if="refused.places.length">
      <li v-for="p in refused.places" :key="p.path + p.message">
        <code v-if="p.path">{{ p.path }}</code> {{ p.message }}
      </li>
    </ul>
  </div>
</template>

<style scoped>
.problems {
  border-left: 6px solid var(--stop);
  background: var(--stop-soft);
  padding: 10px 14px;
  border-radius: 6px;
}
ul {
  margin: 6px 0 0;
  padding-left: 18px;
}
code {
  font-family: 'Atkinson Hyperlegible Mono', monospace;
  font-weight: 600;
  overflow-wrap: anywhere;
}
</style>
