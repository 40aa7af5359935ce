<script setup lang="ts">
import Drawer from 'primevue/drawer'
import { computed, nextTick, ref, watch } from 'vue'
import type { Refused } from '../../api/client'
import type { Pointed } from '../../circuit/pointed'
import Problems from '../../display/Problems.vue'
import type { UnitFile } from '../../units/unitFile'
import { say } from '../../words'
import { kindName } from './circuit'
import GaugeWays from './GaugeWays.vue'
import LineWays from './LineWays.vue'
import PartWays from './PartWays.vue'
import type { Change } from './useRedraw'

/** Beside the drawing: what can be done where somebody pointed. */
const props = defineProps<{ unit: UnitFile; refused: Refused | null }>()
const at = defineModel<Pointed | undefined>({ required: true })
const emit = defineEmits<{ change: [change: Change]; fields: [id: string] }>()

const part = computed(() => (at.value?.kind === 'part' ? props.unit.components.find((c) => c.id === at.value?.id) : undefined))
const line = computed(() => (at.value?.kind === 'line' ? props.unit.lines.find((l) => l.id === at.value?.id) : undefined))
const gauge = computed(() => (at.value?.kind === 'gauge' ? props.unit.testPoints?.find((t) => t.id === at.value?.id) : undefined))
const title = computed(() => {
  if (part.value) return `${part.value.id} ${kindName(part.value.type)}`
  if (line.value) return say('pointing.drawer.line', line.value.id, line.value.name ?? '')
  return gauge.value ? say('pointing.drawer.gauge', gauge.value.id, gauge.value.line) : ''
})
/** What was just drawn is read from its top. */
const top = ref<HTMLElement>()
watch(
  () => at.value?.id,
  () => void nextTick(() => top.value?.scrollIntoView({ block: 'end' })),
)
const shown = computed({
  get: () => title.value !== '',
  set: (open) => {
    if (!open) at.value = undefined
  },
})
</script>

<template>
  <Drawer v-model:visible="shown" position="right" :modal="false" :header="title" class="pointed">
    <div ref="top"></div>
    <Problems :refused="refused" />
    <PartWays v-if="part" :unit="unit" :part="part" @change="emit('change', $event)" @fields="emit('fields', part.id)" />
    <LineWays v-else-if="line" :unit="unit" :line="line.id" @change="emit('change', $event)" />
    <GaugeWays
      v-else-if="gauge"
      :id="gauge.id"
      :unit="unit"
      :line="gauge.line"
      @change="emit('change', $event)"
      @fields="emit('fields', gauge.id)"
    />
  </Drawer>
</template>
