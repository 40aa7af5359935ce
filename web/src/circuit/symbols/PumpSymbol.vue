<script setup lang="ts">
import type { UnitComponent } from '../../units/unitFile'
import { SYMBOLS } from './paths'

defineProps<{ component: UnitComponent }>()
</script>

<template>
  <circle r="30" class="body" /><path :d="SYMBOLS.pumpTriangle" class="solid" transform="translate(0 -4)" />
  <path v-if="component.compensator || component.loadSense || component.powerLimiter" :d="SYMBOLS.variable" class="line" />
</template>
