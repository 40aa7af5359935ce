<script setup lang="ts">
import Button from 'primevue/button'
import Toast, { type ToastMessageOptions } from 'primevue/toast'
import { useToast } from 'primevue/usetoast'
import { say } from '../words'

/** What was just done, and the way back. */
const toast = useToast()

function undo(message: ToastMessageOptions) {
  toast.remove(message)
  ;(message.detail as () => void)()
}
</script>

<template>
  <Toast position="bottom-center">
    <template #message="{ message }">
      <div class="told" role="status">
        <span>{{ message.summary }}</span>
        <Button
          v-if="message.detail"
          :label="say('display.toldToast.undo')"
          severity="secondary"
          outlined
          @click="undo(message as ToastMessageOptions)"
        />
      </div>
    </template>
  </Toast>
</template>

<style scoped>
.told {
  display: flex;
  gap: 16px;
  align-items: center;
  justify-content: space-between;
  flex: 1;
  font-size: 16px;
}
.told button {
  flex: none;
}
</style>
