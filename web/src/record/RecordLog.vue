<script setup lang="ts">
import Column from 'primevue/column'
import DataTable from 'primevue/datatable'
import { ref } from 'vue'
import type { Schema } from '../api/client'
import { clock, when } from '../display/time'
import { say } from '../words'
import LogTimeline from './LogTimeline.vue'

/** All that was written in a run: as a picture over time, and to the letter. */
defineProps<{ record: Schema['RecordView'] }>()

/** Long tables are drawn when somebody opens them, and so many rows at once: hundreds held the whole page up for seconds. */
const PAGES = {
  paginator: true,
  alwaysShowPaginator: false,
  paginatorTemplate: 'PrevPageLink CurrentPageReport NextPageLink',
  currentPageReportTemplate: say('record.recordPage.rows-of', '{first}', '{last}', '{totalRecords}'),
  rows: 100,
}
const takenOpen = ref(false)
const logOpen = ref(false)
</script>

<template>
  <section class="log">
    <LogTimeline :log="record.log" />
    <details @toggle="takenOpen = ($event.target as HTMLDetailsElement).open">
      <summary>{{ say('record.recordPage.every-reading-taken', record.taken.length) }}</summary>
      <DataTable v-if="takenOpen" v-bind="PAGES" size="small" :value="record.taken" scrollable scroll-height="420px" removable-sort>
        <Column sortable field="seq" :header="say('record.recordPage.no')">
          <template #body="{ data: t }">{{ t.seq }}</template>
        </Column>
        <Column sortable field="at" :header="say('record.recordPage.time')">
          <template #body="{ data: t }">{{ clock(t.at) }}</template>
        </Column>
        <Column sortable field="step" :header="say('record.recordPage.step')">
          <template #body="{ data: t }">{{ t.step }}</template>
        </Column>
        <Column sortable field="instrument" :header="say('record.recordPage.instrument')">
          <template #body="{ data: t }">{{ t.instrument }}</template>
        </Column>
        <Column :header="say('record.recordPage.read')">
          <template #body="{ data: t }">{{ t.value }} {{ t.unit }}</template>
        </Column>
        <Column sortable field="source" :header="say('record.recordPage.how')">
          <template #body="{ data: t }">{{ t.source }}</template>
        </Column>
        <Column sortable field="standing">
          <template #body="{ data: t }">{{ t.standing === 'earlier' ? say('record.recordPage.earlier-attempt') : t.standing }}</template>
        </Column>
      </DataTable>
    </details>
    <details @toggle="logOpen = ($event.target as HTMLDetailsElement).open">
      <summary>{{ say('record.recordPage.log-entries', record.log.length) }}</summary>
      <DataTable
        v-if="logOpen"
        v-bind="PAGES"
        size="small"
        :value="record.log"
        :row-class="(l: Schema['RecordView']['log'][number]) => ({ void: l.slip })"
        scrollable
        scroll-height="420px"
      >
        <Column>
          <template #body="{ data: l }">{{ l.seq }}</template>
        </Column>
        <Column>
          <template #body="{ data: l }">{{ when(l.at) }}</template>
        </Column>
        <Column>
          <template #body="{ data: l }">{{ l.by }}</template>
        </Column>
        <Column>
          <template #body="{ data: l }">{{ l.text }}</template>
        </Column>
      </DataTable>
    </details>
  </section>
</template>

<style scoped>
.log {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 10px;
}
:deep(td) {
  font-size: 15px;
}
:deep(.p-paginator button) {
  min-width: 64px;
  height: 48px;
}
:deep(.void) {
  text-decoration: line-through;
}
</style>
