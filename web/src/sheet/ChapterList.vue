<script setup lang="ts">
import { say } from '../words'

/** In the order in which a schematic is read: what is there, and how much is missing. */
defineProps<{ chapters: { title: string; missing: number; count?: number }[] }>()
const chapter = defineModel<number>({ required: true })
</script>

<template>
  <nav class="card" :aria-label="say('sheet.partsEditor.in-the-order-of')">
    <button
      v-for="(c, i) in chapters"
      :key="c.title"
      type="button"
      :class="{ here: i === chapter }"
      :aria-current="i === chapter"
      @click="chapter = i"
    >
      <span>{{ i + 1 }}</span> {{ c.title }}
      <b v-if="c.missing" class="open" :aria-label="say('sheet.partsEditor.missing', c.missing)">▲ {{ c.missing }}</b>
      <span v-else-if="c.count !== undefined" class="quiet">{{ c.count }}</span>
    </button>
  </nav>
</template>

<style scoped>
nav {
  display: grid;
  align-content: start;
  padding: 8px;
  gap: 2px;
}
nav button {
  display: flex;
  gap: 10px;
  align-items: center;
  min-height: 46px;
  font: inherit;
  color: inherit;
  background: none;
  border: 0;
  border-radius: 6px;
  text-align: left;
  padding: 0 10px;
  cursor: pointer;
}
nav button > .open,
nav button > .quiet {
  margin-left: auto;
}
nav button.here {
  background: var(--gate);
  color: var(--on-gate);
}
nav button.here .quiet,
nav button.here .open {
  color: inherit;
}
.open {
  color: var(--stop);
}
</style>
