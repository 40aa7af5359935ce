<script setup lang="ts">
import Button from 'primevue/button'
import Toast from 'primevue/toast'
import { useToast } from 'primevue/usetoast'
import { say } from '../words'
import type { Told } from './told'

/** What was just done, and the way back. */
const toast = useToast()

function undo(told: Told) {
  toast.removeAllGroups()
  told.undo?.()
}
</script>

<template>
  <Toast position="bottom-center">
    <template #message="{ message }">
      <div class="told" role="status">
        <span>{{ (message.detail as Told).text }}</span>
        <Button
          v-if="(message.detail as Told).undo"
          :label="say('display.toldToast.undo')"
          severity="secondary"
          outlined
          @click="undo(message.detail as Told)"
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
</style>
