<script setup lang="ts">
import type { UnitComponent } from '../../units/unitFile'

const props = defineProps<{ component: UnitComponent }>()
const LETTERS: Record<string, string> = { engine: 'E', 'dc-motor': 'M=' }
const square = props.component.type === 'engine'
</script>

<template>
  <rect v-if="square" x="-32" y="-26" width="64" height="52" class="body" />
  <circle v-else r="30" class="body" />
  <text y="7" class="letter">{{ LETTERS[component.type] ?? 'M' }}</text>
</template>
