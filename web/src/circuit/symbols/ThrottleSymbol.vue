<script setup lang="ts">
import type { UnitComponent } from '../../units/unitFile'
import { SYMBOLS } from './paths'

defineProps<{ component: UnitComponent }>()
</script>

<template>
  <path d="M 0 -30 V 30" :class="component.type === 'leak' ? 'pilot' : 'line'" />
  <path :d="SYMBOLS.throttleArcs" class="line" />
  <path v-if="component.type === 'throttle' || component.type === 'flow-control'" :d="SYMBOLS.throttleAdjust" class="line" />
  <rect v-if="component.type === 'flow-control'" x="-26" y="-26" width="52" height="52" class="hollow" />
</template>
