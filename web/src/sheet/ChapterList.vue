<script setup lang="ts">
import Listbox from 'primevue/listbox'
import { computed } from 'vue'
import { say } from '../words'

/** In the order in which a schematic is read: what is there, and how much is missing. */
const props = defineProps<{ chapters: { title: string; missing: number; count?: number }[] }>()
const chapter = defineModel<number>({ required: true })
const list = computed(() => props.chapters.map((c, at) => ({ ...c, at })))
</script>

<template>
  <Listbox
    :model-value="chapter"
    :options="list"
    option-label="title"
    option-value="at"
    scroll-height="none"
    class="chapters"
    :aria-label="say('sheet.partsEditor.in-the-order-of')"
    @update:model-value="(at: number | null) => at !== null && (chapter = at)"
  >
    <template #option="{ option: c }">
      <span>{{ c.at + 1 }}</span> {{ c.title }}
      <b v-if="c.missing" class="open" :aria-label="say('sheet.partsEditor.missing', c.missing)">▲ {{ c.missing }}</b>
      <span v-else-if="c.count !== undefined" class="count">{{ c.count }}</span>
    </template>
  </Listbox>
</template>

<style scoped>
.chapters {
  align-self: start;
}
.chapters :deep(.p-listbox-option) {
  display: flex;
  gap: 10px;
  min-height: 46px;
}
.open,
.count {
  margin-left: auto;
}
.chapters :deep(.p-listbox-option:not(.p-listbox-option-selected)) .open {
  color: var(--stop);
}
</style>
