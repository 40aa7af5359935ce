<script setup lang="ts">
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import { say } from '../words'
import { computed } from 'vue'

/** Positions of a directional valve: each a name and the ways it opens, written as P>X Y>T. */
const props = defineProps<{ value: unknown }>()
const emit = defineEmits<{ change: [value: Record<string, string[][]>] }>()

const rows = computed(() =>
  Object.entries((props.value ?? {}) as Record<string, string[][]>).map(([name, ways]) => ({
    name,
    ways: ways.map((w) => w.join('>')).join(' '),
  })),
)

function read(ways: string): string[][] {
  return ways
    .split(/[\s,]+/)
    .filter((w) => w.includes('>'))
    .map((w) => w.split('>').slice(0, 2))
}

function put(i: number, name: string, ways: string) {
  const next = rows.value.map((r, k) => (k === i ? { name, ways } : r))
  emit('change', Object.fromEntries(next.filter((r) => r.name.trim()).map((r) => [r.name.trim(), read(r.ways)])))
}
</script>

<template>
  <span class="positions">
    <span v-for="(r, i) in rows" :key="i" class="position">
      <InputText
        :model-value="r.name"
        :aria-label="say('sheet.positionsField.name-of-position', i + 1)"
        @change="put(i, ($event.target as HTMLInputElement).value, r.ways)"
      />
      <InputText
        :model-value="r.ways"
        placeholder="P>X Y>T"
        :aria-label="say('sheet.positionsField.ways-of-position', r.name)"
        @change="put(i, r.name, ($event.target as HTMLInputElement).value)"
      />
    </span>
    <Button
      :label="say('sheet.positionsField.add-a-position')"
      severity="secondary"
      outlined
      @click="emit('change', { ...(value as Record<string, string[][]>), [`position${rows.length + 1}`]: [] })"
    />
    <span class="quiet small">{{ say('sheet.positionsField.each-way-from-port') }}</span>
  </span>
</template>

<style scoped>
.positions,
.position {
  display: inline-flex;
  flex-wrap: wrap;
  gap: 6px;
}
input {
  width: 110px;
}
button {
  min-height: 44px;
  font: inherit;
  background: none;
  color: inherit;
  border: 1px solid var(--quiet);
  border-radius: 6px;
  padding: 0 12px;
}
</style>
