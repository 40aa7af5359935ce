<script setup lang="ts">
import Button from 'primevue/button'
import { ref } from 'vue'
import type { Schema } from '../api/client'
import Verdict from '../display/Verdict.vue'

const props = defineProps<{
  expect: Schema['ExpectView']
  reading?: Schema['ReadingView']
  message?: string
}>()
const emit = defineEmits<{ keep: [text: string, done: (saved: boolean) => void] }>()
const text = ref('')

function keep() {
  emit('keep', text.value, (saved) => {
    // What was typed stays until it is on disk.
    if (saved) text.value = ''
  })
}

defineExpose({ instrument: props.expect.testPoint })
</script>

<template>
  <div class="reading" role="group" :aria-label="`Reading of ${expect.testPoint}`">
    <div class="want">
      <b>{{ expect.testPoint === 'OIL' ? 'Oil' : expect.testPoint }}</b> must show
      <b>{{ expect.low }} to {{ expect.high }} {{ expect.reads }}</b>
    </div>
    <form class="type" @submit.prevent="keep">
      <input
        v-model="text" class="p-inputtext" inputmode="decimal" autocomplete="off" :data-reading="expect.testPoint"
        :aria-label="`Type what ${expect.testPoint} reads`" :aria-invalid="message !== undefined" />
      <span class="quiet">{{ expect.reads }}</span>
      <Button type="submit" label="Keep" severity="secondary" outlined />
    </form>
    <p v-if="message" class="wrong" role="alert">{{ message }}</p>
    <p v-if="reading" class="got">
      <Verdict :grade="reading.grade" /> <b>{{ reading.value }} {{ reading.unit }}</b> <span class="small">{{ reading.message }}</span>
    </p>
  </div>
</template>

<style scoped>
.reading {
  display: grid;
  grid-template-columns: 1fr auto;
  gap: 6px 12px;
  align-items: center;
  border-top: 1px solid var(--rule);
  padding-top: 8px;
}
.type {
  display: flex;
  align-items: center;
  gap: 8px;
}
input {
  width: 92px;
  font-size: 18px;
  font-weight: 600;
}
.wrong {
  grid-column: 1 / -1;
  color: var(--stop);
  font-weight: 600;
}
.got {
  grid-column: 1 / -1;
}
</style>
