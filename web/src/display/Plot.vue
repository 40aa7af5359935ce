<script setup lang="ts">
import { defineAsyncComponent } from 'vue'
import { say, type Word } from '../words'

/** A chart with the key of its marks below it; shapes tell them apart, not colours alone. */
export interface Mark {
  mark: 'expected' | 'fitted' | 'point' | 'back' | 'out' | 'left' | 'found' | 'band' | 'limit'
  word: Word
}
defineProps<{ option: Record<string, unknown>; label: string; marks: Mark[] }>()
const Chart = defineAsyncComponent(() => import('./Chart.vue'))
</script>

<template>
  <figure>
    <div class="picture"><Chart :option="option" :label="label" /></div>
    <ul class="key small">
      <li v-for="k in marks" :key="k.mark"><i :class="k.mark" aria-hidden="true"></i>{{ say(k.word) }}</li>
    </ul>
  </figure>
</template>

<style scoped>
figure {
  margin: 0;
}
.picture {
  height: 220px;
  background: var(--board);
  border: 1px solid var(--rule);
}
.key {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 18px;
  list-style: none;
  margin: 4px 0 0;
  padding: 0;
}
i {
  display: inline-block;
  width: 22px;
  margin-right: 6px;
  vertical-align: middle;
  border-top: 2px solid var(--ink);
}
i.expected {
  border-top: 2.5px dashed var(--water);
}
i.limit {
  border-top: 2px dashed var(--stop);
}
i.band {
  border: 0;
  height: 12px;
  background: var(--water);
  opacity: 0.3;
}
i.point,
i.back,
i.out,
i.left,
i.found {
  border: 0;
  width: 12px;
  height: 12px;
  background: var(--gate);
}
i.point {
  border-radius: 50%;
}
i.found {
  background: none;
  border: 2px solid var(--gate);
  border-radius: 50%;
}
i.back {
  clip-path: polygon(50% 0, 100% 100%, 0 100%);
}
i.out {
  background: var(--stop);
  clip-path: polygon(0 10%, 10% 0, 50% 40%, 90% 0, 100% 10%, 60% 50%, 100% 90%, 90% 100%, 50% 60%, 10% 100%, 0 90%, 40% 50%);
}
</style>
