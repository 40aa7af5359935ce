<script setup lang="ts">
import { ref } from 'vue'
import { asRefused, call, type Refused, type Schema } from '../api/client'
import FileDrop from '../display/FileDrop.vue'
import Problems from '../display/Problems.vue'
import { say } from '../words'

/** Whether an exported record is as it was written; nothing of it is kept. */
const MOST_BYTES = 8_000_000
const name = ref('')
const answer = ref<Schema['ProvedView']>()
const refused = ref<Refused | null>(null)

async function prove(file: File) {
  name.value = file.name
  answer.value = undefined
  refused.value = null
  try {
    const text = await file.text()
    let document: unknown
    try {
      document = JSON.parse(text)
    } catch {
      document = text
    }
    answer.value = await call<Schema['ProvedView']>('POST', '/api/prove', document)
  } catch (e) {
    refused.value = asRefused(e)
  }
}
</script>

<template>
  <section class="card prove">
    <h1>{{ say('prove.title') }}</h1>
    <p>{{ say('prove.what') }}</p>
    <FileDrop :label="say('prove.choose')" accept=".json,application/json" :most="MOST_BYTES" @file="prove" />
    <div v-if="answer" aria-live="polite" class="answer" :class="answer.whole ? 'whole' : 'broken'">
      <h2>{{ say(answer.whole ? 'prove.whole' : 'prove.broken', name) }}</h2>
      <template v-if="answer.whole">
        <p>{{ say('prove.of', answer.tag, answer.technician, answer.entries) }}</p>
        <p>{{ say(answer.sheetSealed ? 'prove.sheet-sealed' : 'prove.sheet-open') }}</p>
        <p v-if="answer.earlier">{{ say('prove.earlier') }}</p>
        <p>{{ say('prove.seal') }}</p>
        <p class="seal">{{ answer.seal }}</p>
        <p>{{ say('prove.no-key') }}</p>
      </template>
      <template v-else>
        <p v-if="answer.place">
          {{ say('prove.at') }} <b class="seal">{{ answer.place }}</b>
        </p>
        <p>{{ answer.said }}</p>
      </template>
    </div>
    <Problems :refused="refused" />
  </section>
</template>

<style scoped>
.prove {
  display: grid;
  gap: 12px;
  max-width: 900px;
}
.answer {
  border-left: 8px solid var(--gate);
  background: var(--gate-soft);
  padding: 10px 14px;
  display: grid;
  gap: 6px;
}
.answer.broken {
  border-color: var(--stop);
  background: var(--stop-soft);
}
.seal {
  font-family: 'Atkinson Hyperlegible Mono', monospace;
  overflow-wrap: anywhere;
  font-size: 18px;
}
</style>
