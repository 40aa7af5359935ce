<script setup lang="ts">
import { say } from '../words'
import Button from 'primevue/button'
import type { Schema } from '../api/client'
import type { UnitFile } from '../units/unitFile'

/** Why there is no plan, each with a way to the place on the sheet where it is mended. */
const props = defineProps<{ tag: string; unit: UnitFile; refused: Schema['RefusalView'][] }>()

/** The entry of the sheet that a refusal is about; none where it is about a step. */
function place(subject: string): string | undefined {
  const part = subject.split('.')[0] ?? ''
  const all = [...props.unit.components, ...props.unit.lines, ...(props.unit.testPoints ?? [])]
  return all.some((e) => e.id === part) ? part : undefined
}
</script>

<template>
  <p v-for="r in refused" :key="r.code + r.subject" class="refusal">
    <span
      ><b>■ {{ r.subject }}</b> {{ r.message }}</span
    >
    <RouterLink v-if="place(r.subject)" :to="{ name: 'sheet', params: { tag }, query: { part: place(r.subject) } }"
      ><Button :label="say('plan.refusalList.mend', place(r.subject) ?? '')" severity="secondary" outlined tabindex="-1"
    /></RouterLink>
  </p>
  <RouterLink v-if="refused.length" :to="{ name: 'sheet', params: { tag } }"
    ><Button :label="say('plan.planPage.back-to-the-sheet')" tabindex="-1"
  /></RouterLink>
</template>

<style scoped>
.refusal {
  display: flex;
  gap: 14px;
  align-items: center;
  justify-content: space-between;
}
.refusal b {
  color: var(--stop);
}
</style>
