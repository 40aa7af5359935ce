<script setup lang="ts">
import { say } from '../words'
import { TABS, type SheetTab } from './tabs'

const tab = defineModel<SheetTab>({ required: true })
</script>

<template>
  <div class="tabs" role="group" :aria-label="say('sheet.sheetPage.parts-of-the-sheet')">
    <button v-for="(name, t) in TABS" :key="t" type="button" :aria-pressed="tab === t" @click="tab = t">{{ name }}</button>
  </div>
</template>

<style scoped>
.tabs {
  display: flex;
}
.tabs button {
  font: inherit;
  font-weight: 600;
  color: inherit;
  background: none;
  border: 1px solid var(--rule);
  min-height: 46px;
  padding: 0 16px;
  cursor: pointer;
}
.tabs button[aria-pressed='true'] {
  background: var(--gate);
  color: var(--on-gate);
  border-color: var(--gate);
}
</style>
