<script setup lang="ts">
import { computed } from 'vue'
import type { UnitComponent } from '../../units/unitFile'
import { SYMBOLS } from './paths'

const props = defineProps<{ component: UnitComponent; passing?: boolean }>()
const remote = computed(() => typeof props.component.pilot === 'string')
/** Its arrow stands in line with its ports while oil goes through. Open at rest and piloted from its outlet: a reducing valve. */
const reducing = computed(() => props.component.type === 'reducing-valve')
</script>

<template>
  <path v-if="!remote && !reducing" d="M 0 -30 H -32 V 0 H -20" class="pilot" />
  <path v-if="reducing" d="M 0 30 H -32 V 8 H -20" class="pilot" />
  <path v-if="remote" d="M -20 0 H -42" class="pilot" />
  <path v-if="component.drain" d="M 20 14 H 30 V 30 m -9 -6 v 6 h 18 v -6" class="pilot" />
  <template v-if="component.reverseCheck">
    <path d="M 0 -30 H -28 V 30 H 0" class="line" /><circle cx="-28" cy="2" r="5" class="body" /><path
      d="M -35 6 L -28 12 L -21 6"
      class="line"
    />
  </template>
  <rect x="-20" y="-21" width="40" height="42" class="body" />
  <path :d="reducing || passing ? SYMBOLS.openArrow : SYMBOLS.shutArrow" :class="['line', { passing }]" />
  <path :d="SYMBOLS.spring" class="line" /><path :d="SYMBOLS.adjust" class="line" />
  <path d="M 0 -30 V -21 M 0 21 V 30" class="line" />
</template>
