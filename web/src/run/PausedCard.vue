<script setup lang="ts">
import Button from 'primevue/button'
import type { Schema } from '../api/client'
import { when } from '../display/time'
import { say } from '../words'

/** What stands there while nobody works at it, and the way on. */
defineProps<{ paused: Schema['PausedView']; step?: string; busy: boolean }>()
const emit = defineEmits<{ goOn: [] }>()
</script>

<template>
  <div class="card done">
    <p class="quiet">{{ say('run.pause.since', when(paused.at), paused.by) }}</p>
    <h1>{{ paused.reason || say('run.pause.paused') }}</h1>
    <p v-if="step">{{ say('run.pause.at', step) }}</p>
    <p>{{ say('run.pause.before-going-on') }}</p>
    <Button :label="say('run.pause.go-on')" size="large" autofocus :loading="busy" @click="emit('goOn')" />
  </div>
</template>
