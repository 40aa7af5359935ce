<script setup lang="ts">
import { computed } from 'vue'
import { kindOf } from '../parts/kinds'
import type { Part } from './drawing'
import PositionsSymbol from './symbols/PositionsSymbol.vue'

const props = defineProps<{
  part: Part
  /** oil goes through it */
  passing?: boolean
  /** position of a directional valve or section */
  position?: string
}>()

const kind = computed(() => kindOf(props.part.component))
const lever = computed(() => kind.value.lever?.(props.part.component))
</script>

<template>
  <g :transform="part.up && kind.turns ? 'scale(1 -1)' : undefined">
    <PositionsSymbol v-if="lever" :component="part.component" :lever="lever" :leads="part.leads" :position="position" />
    <component :is="kind.symbol" v-else :component="part.component" v-bind="kind.opens ? { passing } : {}" />
  </g>
</template>
