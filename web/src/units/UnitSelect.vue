<script setup lang="ts">
import Select from 'primevue/select'
import { useUnits } from './useUnits'

/** One of the units, by its tag. */
const tag = defineModel<string>({ required: true })
defineProps<{ label: string; placeholder: string }>()
const { data: units } = useUnits()
</script>

<template>
  <Select v-model="tag" :options="units ?? []" option-label="tag" option-value="tag" :placeholder="placeholder" :aria-label="label" />
</template>
