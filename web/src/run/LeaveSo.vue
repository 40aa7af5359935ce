<script setup lang="ts">
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import Textarea from 'primevue/textarea'
import { ref } from 'vue'
import { say } from '../words'
import { useKept } from './kept'
import type { RunEvent, RunView } from './useRun'

/** A reading is left as it is, for a reason that is kept; above the schematic a second person releases it. */
const props = defineProps<{ run: RunView; step: string; send: (event: RunEvent) => Promise<boolean | undefined> }>()
const emit = defineEmits<{ left: [] }>()

const reason = useKept(`reason-${props.run.uuid}-${props.step}`)
const releasedBy = ref('')

async function leave() {
  const event = { kind: 'deviation', step: props.step, text: reason.value, releasedBy: releasedBy.value || undefined }
  if (await props.send(event)) {
    emit('left')
    reason.value = ''
  }
}
</script>

<template>
  <form class="leave" @submit.prevent="leave">
    <label for="reason"
      ><b>{{ say('run.stepCard.why-is-it-left') }}</b> {{ say('run.stepCard.the-reason-is-kept') }}</label
    >
    <Textarea id="reason" v-model="reason" rows="2" maxlength="500" fluid />
    <label v-if="run.needsRelease" for="release"
      ><b>{{ say('run.stepCard.above-the-schematic') }}</b> {{ say('run.stepCard.released-by-a-second') }}
      <InputText id="release" v-model="releasedBy" maxlength="80"
    /></label>
    <Button type="submit" :label="say('run.stepCard.leave-it-so')" />
  </form>
</template>

<style scoped>
.leave {
  display: grid;
  gap: 8px;
  justify-items: start;
}
</style>
