<script setup lang="ts">
import Button from 'primevue/button'
import Dialog from 'primevue/dialog'
import InputText from 'primevue/inputtext'
import { ref } from 'vue'
import { say } from '../words'
import { useKept } from './kept'
import type { RunEvent } from './useRun'

/** Leaves the run for a while; the machine comes first. */
const props = defineProps<{ uuid: string }>()
const emit = defineEmits<{ send: [event: RunEvent] }>()
const asked = ref(false)
const reason = useKept(`pause-${props.uuid}`)

function pause() {
  emit('send', { kind: 'paused', text: reason.value })
  reason.value = ''
  asked.value = false
}
</script>

<template>
  <Button :label="say('run.pause.pause')" severity="secondary" text @click="asked = true" />
  <Dialog v-model:visible="asked" modal dismissable-mask :header="say('run.pause.leave-it')" class="pause">
    <form @submit.prevent="pause">
      <p class="caution">▲ {{ say('run.pause.machine-first') }}</p>
      <label for="pause-reason">{{ say('run.pause.why') }}</label>
      <InputText id="pause-reason" v-model="reason" maxlength="200" autofocus />
      <Button type="submit" :label="say('run.pause.pause-now')" />
    </form>
  </Dialog>
</template>

<style>
.pause {
  width: min(560px, 94vw);
}
.pause form {
  display: grid;
  gap: 10px;
}
.pause .caution {
  border-left: 7px solid var(--stop);
  background: var(--stop-soft);
  padding: 8px 12px;
}
</style>
