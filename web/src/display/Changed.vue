<script setup lang="ts">
import Message from 'primevue/message'
import { say } from '../words'

/** What was changed in the data file and is not used, a sentence each; nothing where nothing was. */
defineProps<{ all: string[] | undefined }>()
</script>

<template>
  <Message v-if="all?.length" severity="error" class="changed">
    <b>{{ say('display.changed.title') }}</b>
    <ul>
      <li v-for="said in all" :key="said">{{ said }}</li>
    </ul>
  </Message>
</template>

<style scoped>
.changed {
  margin-bottom: 14px;
}
ul {
  margin: 6px 0 0;
  padding-left: 18px;
}
</style>
