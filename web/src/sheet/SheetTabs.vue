<script setup lang="ts">
import SelectButton from 'primevue/selectbutton'
import { say } from '../words'
import { TABS, type SheetTab } from './tabs'

const tab = defineModel<SheetTab>({ required: true })
const PAGES = Object.entries(TABS).map(([value, label]) => ({ value, label }))
</script>

<template>
  <SelectButton
    v-model="tab"
    :options="PAGES"
    option-label="label"
    option-value="value"
    :allow-empty="false"
    :aria-label="say('sheet.sheetPage.parts-of-the-sheet')"
  />
</template>
