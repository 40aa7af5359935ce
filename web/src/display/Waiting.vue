<script setup lang="ts">
import ProgressBar from 'primevue/progressbar'
import { onBeforeUnmount, onMounted, ref } from 'vue'
import { call, type Schema } from '../api/client'
import { say } from '../words'

/** While the server works something out; after a second, with how many wait for their turn. */
defineProps<{ what: string }>()
const SECOND = 1000
const waiting = ref(0)

async function look() {
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
  <div class="waiting" role="status">
    <p class="quiet">
      {{ what }} <template v-if="waiting">{{ say(waiting === 1 ? 'display.waiting.one' : 'display.waiting.more', waiting) }}</template>
    </p>
    <ProgressBar mode="indeterminate" :aria-label="what" />
  </div>
</template>

<style scoped>
.waiting {
  max-width: 480px;
  display: grid;
  gap: 10px;
}
</style>
