<script setup lang="ts">
import { computed } from 'vue'
import Button from 'primevue/button'
import { KINDS } from '../../parts/kinds'
import { SYMBOLS } from '../../circuit/symbols/paths'
import '../../circuit/symbols/symbols.css'
import { kindName } from './circuit'

/** A kind of part by its symbol and its name. */
const props = defineProps<{ type: string; chosen?: boolean }>()
const kind = computed(() => KINDS[props.type])
const component = computed(() => ({ id: '', type: props.type, ...kind.value?.values }))
</script>

<template>
  <Button severity="secondary" outlined :class="['kind', { chosen }]" :aria-pressed="chosen">
    <svg class="circuit" viewBox="-54 -34 108 68" width="86" height="54" aria-hidden="true">
      <g v-if="type === 'gauge'">
        <circle r="20" class="body" />
        <path :d="SYMBOLS.needle" class="line" transform="scale(1.3)" />
      </g>
      <path v-else-if="type === 'work'" d="M -30 20 V -20 M -30 0 H 30 m 0 0 l -12 -8 m 12 8 l -12 8" class="line" />
      <g v-else-if="kind?.lever">
        <rect v-for="x in [-51, -17, 17]" :key="x" :x="x" y="-17" width="34" height="34" class="body" />
        <path d="M -40 14 V -14 M -28 -14 V 14 M 28 14 L 40 -14 M 28 -14 L 40 14" class="line" />
      </g>
      <component :is="kind.symbol" v-else-if="kind" :component="component" />
    </svg>
    <span>{{ kindName(type) }}</span>
  </Button>
</template>

<style scoped>
.kind {
  display: grid;
  justify-items: center;
  gap: 2px;
  padding: 6px 4px;
  min-height: 84px;
  font-size: 14px;
  line-height: 1.15;
}
.chosen {
  background: var(--gate-soft);
  border-width: 2px;
}
</style>
