<script setup lang="ts">
import Message from 'primevue/message'

/** What can't be used and why, a sentence each, under a title where it needs one; nothing where all can be used. */
defineProps<{ all: string[] | undefined; title?: string }>()
</script>

<template>
  <Message v-if="all?.length" severity="error" class="unusable">
    <b v-if="title">{{ title }}</b>
    <ul>
      <li v-for="said in all" :key="said">{{ said }}</li>
    </ul>
  </Message>
</template>

<style scoped>
.unusable {
  margin-bottom: 14px;
}
ul {
  margin: 6px 0 0;
  padding-left: 18px;
}
</style>
