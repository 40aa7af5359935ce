<script setup lang="ts">
import NumberField from './NumberField.vue'

/** A pressure that must be given: above nothing, below what any such machine stands. */
defineProps<{ label: string; bar: number }>()
const emit = defineEmits<{ change: [bar: number] }>()
const MOST_BAR = 1000
</script>

<template>
  <NumberField
    :label="label"
    :value="bar"
    unit="bar"
    :above="0"
    :most="MOST_BAR"
    @change="$event !== undefined && emit('change', $event)"
  />
</template>
