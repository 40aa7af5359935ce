<script setup lang="ts">
import Column from 'primevue/column'
import DataTable from 'primevue/datatable'
import { say } from '../words'
import { place, shown, type Change } from './changes'

/** What differs between two versions of a sheet, place by place. */
defineProps<{ made: Change[] }>()
</script>

<template>
  <DataTable size="small" :value="made">
    <Column :header="say('sheet.revisionList.place')">
      <template #body="{ data: c }"
        ><b>{{ place(c) }}</b></template
      ></Column
    >
    <Column :header="say('sheet.revisionList.before')">
      <template #body="{ data: c }">{{ shown(c.before) }}</template>
    </Column>
    <Column :header="say('sheet.revisionList.after')">
      <template #body="{ data: c }">{{ shown(c.after) }}</template>
    </Column>
  </DataTable>
</template>

<style scoped>
:deep(td) {
  overflow-wrap: anywhere;
}
</style>
