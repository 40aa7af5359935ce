<script setup lang="ts">
import InputText from 'primevue/inputtext'
import { computed } from 'vue'
import type { Schema } from '../api/client'
import { say } from '../words'
import type { PatternView } from './useBeginning'

type Question = Schema['QuestionView']

/** What stands on plates and schematic, in the units in which it stands there. */
const props = defineProps<{ pattern: PatternView; wrong: Record<string, string> }>()
const answers = defineModel<Record<string, string>>({ required: true })

const groups = computed(() => {
  const groups: { key: string; title: string; questions: Question[] }[] = []
  for (const q of props.pattern.questions) {
    const there = groups.find((g) => g.key === q.group)
    if (there) there.questions.push(q)
    else groups.push({ key: q.group, title: q.groupTitle, questions: [q] })
  }
  return groups
})

function set(key: string, text: string | undefined) {
  answers.value = { ...answers.value, [key]: text ?? '' }
}

function unitOf(q: Question) {
  return q.units[0] ?? ''
}
</script>

<template>
  <fieldset v-for="g in groups" :key="g.key" class="card">
    <legend>{{ g.title }}</legend>
    <div v-for="q in g.questions" :key="q.key" class="question" :class="{ asked: q.needed }">
      <label :for="`ask-${q.key}`">{{ q.label }}</label>
      <span class="typed">
        <InputText
          :id="`ask-${q.key}`"
          :model-value="answers[q.key] ?? ''"
          inputmode="decimal"
          autocomplete="off"
          :placeholder="q.needed ? '' : say('begin.plateForm.if-known')"
          :aria-describedby="`where-${q.key}`"
          :invalid="q.key in wrong"
          :data-asked="q.key"
          @update:model-value="(text) => set(q.key, text)"
        />
        <span class="quiet">{{ unitOf(q) }}</span>
      </span>
      <span :id="`where-${q.key}`" class="small quiet where">{{ q.where }}</span>
      <span v-if="wrong[q.key]" class="wrong" role="alert">{{ wrong[q.key] }}</span>
    </div>
  </fieldset>
</template>

<style scoped>
fieldset {
  border: 1px solid var(--rule);
  display: grid;
  gap: 6px;
}
legend {
  font-weight: 700;
  padding: 0 6px;
}
.question {
  display: grid;
  grid-template-columns: 170px 190px 1fr;
  gap: 2px 12px;
  align-items: center;
}
.asked label {
  font-weight: 700;
}
.typed {
  display: flex;
  align-items: center;
  gap: 8px;
}
.typed :deep(input) {
  width: 118px;
  min-height: 44px;
}
.wrong {
  grid-column: 2 / -1;
  color: var(--stop);
  font-weight: 600;
}
@media (max-width: 1150px) {
  .question {
    grid-template-columns: 150px 1fr;
  }
  .where {
    grid-column: 2;
  }
}
@media (max-width: 700px) {
  .question {
    grid-template-columns: 1fr;
  }
  .wrong,
  .where {
    grid-column: 1;
  }
}
</style>
