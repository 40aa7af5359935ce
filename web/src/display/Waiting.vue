<script setup lang="ts">
import ProgressBar from 'primevue/progressbar'
import { onBeforeUnmount, onMounted, ref } from 'vue'
import { call, type Schema } from '../api/client'
import { say } from '../words'

/** While the server works something out: said after a second, with how many others wait for their turn. */
defineProps<{ what: string }>()
const SECOND = 1000
const shown = ref(false)
const waiting = ref(0)

async function look() {
  shown.value = true
  try {
    waiting.value = (await call<Schema['Queue']>('GET', '/api/work')).waiting
  } catch {
    waiting.value = 0
  }
}

let looking: ReturnType<typeof setInterval> | undefined
onMounted(() => (looking = setInterval(() => void look(), SECOND)))
onBeforeUnmount(() => clearInterval(looking))
</script>

<template>
  <div v-if="shown" class="card" role="status">
    <p>
      {{ what }} <template v-if="waiting">{{ say(waiting === 1 ? 'display.waiting.one' : 'display.waiting.more', waiting) }}</template>
    </p>
    <ProgressBar mode="indeterminate" :show-value="false" />
  </div>
</template>
