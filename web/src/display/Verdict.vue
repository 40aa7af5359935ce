<script setup lang="ts">
import { say } from '../words'
import { computed } from 'vue'

const props = defineProps<{ grade: string }>()
const SHOWN: Record<string, [string, string]> = {
  pass: ['✔', 'pass'],
  fail: ['✖', 'fail'],
  'cannot-tell': ['?', say('display.verdict.cannot-tell')],
}
const shown = computed(() => SHOWN[props.grade] ?? ['', props.grade])
</script>

<template>
  <span class="chip verdict" :class="grade"
    ><b aria-hidden="true" :class="grade">{{ shown[0] }}</b
    >{{ shown[1] }}</span
  >
</template>

<style scoped>
b {
  display: inline-grid;
  place-items: center;
  width: 20px;
  height: 20px;
  border: 2px solid currentColor;
  font-size: 12px;
  line-height: 1;
}
b.pass {
  border-radius: 50%;
}
b.cannot-tell {
  transform: rotate(45deg);
  width: 16px;
  height: 16px;
  margin: 2px;
}
</style>
