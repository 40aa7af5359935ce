<script setup lang="ts">
import Button from 'primevue/button'
import { download } from '../circuit/exportSvg'
import type { UnitFile } from '../units/unitFile'
import { say } from '../words'
import BillImport from './BillImport.vue'

/** What goes in and out of the target sheet: bills of settings, the unit file, paper. */
const props = defineProps<{ tag: string }>()
const draft = defineModel<UnitFile>({ required: true })

function print() {
  window.print()
}

function exportFile() {
  download(`${props.tag}.json`, 'application/json', JSON.stringify(draft.value, null, 2))
}
</script>

<template>
  <div class="under no-print">
    <BillImport v-model="draft" :tag="tag" />
    <a :href="`/api/units/${tag}/bill.csv`" download
      ><Button :label="say('sheet.sheetPage.bill-of-settings-as')" severity="secondary" outlined tabindex="-1"
    /></a>
    <Button :label="say('sheet.sheetPage.unit-file')" severity="secondary" outlined @click="exportFile" />
    <Button :label="say('sheet.sheetPage.print')" severity="secondary" outlined @click="print" />
  </div>
</template>

<style scoped>
.under {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  align-items: center;
  margin-top: 8px;
}
</style>
