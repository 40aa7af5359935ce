<script setup lang="ts">
import Message from 'primevue/message'
import type { Refused } from '../api/client'

defineProps<{ refused: Refused | null }>()
</script>

<template>
  <Message v-if="refused" severity="error" class="problems">
    <b>{{ refused.title }}</b>
    <ul v-if="refused.places.length">
      <li v-for="p in refused.places" :key="p.path + p.message">
        <code v-if="p.path">{{ p.path }}</code> {{ p.message }}
      </li>
    </ul>
  </Message>
</template>

<style scoped>
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
