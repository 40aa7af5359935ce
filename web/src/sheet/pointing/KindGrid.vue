<script setup lang="ts">
import KindButton from './KindButton.vue'

/** Kinds of parts to choose from. */
defineProps<{ label: string; types: readonly string[]; chosen: string }>()
const emit = defineEmits<{ choose: [type: string] }>()
</script>

<template>
  <h3>{{ label }}</h3>
  <div class="kinds" role="group" :aria-label="label">
    <KindButton v-for="t in types" :key="t" :type="t" :chosen="chosen === t" @click="emit('choose', t)" />
  </div>
</template>

<style scoped>
.kinds {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(104px, 1fr));
  gap: 8px;
}
h3 {
  margin: 14px 0 6px;
}
</style>
