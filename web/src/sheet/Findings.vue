<script setup lang="ts">
import Button from 'primevue/button'
import type { Schema } from '../api/client'
import { useDisplay } from '../display/display'
import { settingName } from '../display/names'

type Finding = Schema['FindingView']
type Suggestion = Schema['SuggestionView']

defineProps<{ findings: Finding[] }>()
const emit = defineEmits<{ take: [suggestion: Suggestion] }>()
const display = useDisplay()
const SIGN: Record<string, string> = { stop: '■ Stop', warn: '▲ Mind', info: '● Note' }

function offer(s: Suggestion): string {
  if (s.setting && s.pressureBar !== undefined && s.pressureBar !== null) {
    return `Set ${settingName(s.setting)} to ${display.show(s.pressureBar)}`
  }
  if (s.key === 'rangeBar') return `Fit ${s.part} with a range of ${display.show(s.value ?? 0)}`
  if (s.key === 'class') return `Fit ${s.part} of class ${s.value}`
  return `Fit ${s.part} for ${s.value} L/min`
}
</script>

<template>
  <section aria-label="Findings" class="findings">
    <p v-if="!findings.length" class="card holds">
      <b>● Every relation holds.</b> Relief above compensator and below ratings, relief large enough, motor within its rating, gauge fit.
    </p>
    <article v-for="f in findings" :key="f.rule + f.setting + f.message" class="card" :class="f.severity">
      <p><b class="sign">{{ SIGN[f.severity] }} · {{ f.rule }}</b> {{ f.message }}</p>
      <Button v-if="f.suggestion" :label="offer(f.suggestion)" outlined @click="emit('take', f.suggestion)" />
    </article>
  </section>
</template>

<style scoped>
.findings {
  display: grid;
  gap: 8px;
}
article,
.holds {
  border-left: 7px solid var(--gate);
  padding: 10px 14px;
  display: grid;
  gap: 8px;
  justify-items: start;
}
.stop {
  border-left-color: var(--stop);
}
.warn {
  border-left-color: var(--gold);
}
.info {
  border-left-color: var(--water);
}
.stop .sign {
  color: var(--stop);
}
.warn .sign {
  color: var(--gold);
}
</style>
