<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { call, type Schema } from '../api/client'
import Circuit from '../circuit/Circuit.vue'
import { svgOnPaper } from '../circuit/exportSvg'
import type { UnitFile } from '../units/unitFile'
import { say } from '../words'

/** The circuit as the sheet had it that the run was planned from. */
const props = defineProps<{ tag: string; revision: number }>()
const { data } = useQuery({
  queryKey: computed(() => ['revision', props.tag, props.revision]),
  queryFn: () => call<Schema['UnitDocument']>('GET', `/api/units/${props.tag}/revisions/${props.revision}`),
})
const unit = computed(() => data.value?.document as UnitFile | undefined)
const circuit = ref<InstanceType<typeof Circuit>>()

/** As it goes on paper; nothing while it is not there yet. */
function onPaper(): string | undefined {
  return circuit.value?.picture ? svgOnPaper(circuit.value.picture) : undefined
}
defineExpose({ onPaper })
</script>

<template>
  <section v-if="unit" class="drawn">
    <h2>{{ say('record.circuit.title') }}</h2>
    <Circuit ref="circuit" :unit="unit" />
  </section>
</template>

<style scoped>
.drawn {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 8px;
  break-inside: avoid;
}
.drawn :deep(svg) {
  max-height: 420px;
}
</style>
