<script setup lang="ts">
import Button from 'primevue/button'
import Select from 'primevue/select'
import { computed, ref, watch } from 'vue'
import { isDriver } from '../../parts/kinds'
import type { UnitComponent, UnitFile } from '../../units/unitFile'
import { say } from '../../words'
import PressureAsked from './PressureAsked.vue'
import type { Change } from './useRedraw'

/** What a pump is governed and driven by. */
const props = defineProps<{ unit: UnitFile; pump: UnitComponent }>()
const emit = defineEmits<{ change: [change: Change] }>()
const CONTROLS = [
  { key: 'compensator', name: say('pointing.pump.compensator') },
  { key: 'loadSense', name: say('pointing.pump.load-sense') },
]
const fitting = ref('')
watch(
  () => [props.pump.id, props.pump.compensator, props.pump.loadSense],
  () => (fitting.value = ''),
)
const drivers = computed(() => props.unit.components.filter(isDriver).map((d) => d.id))

function has(key: string): boolean {
  return props.pump[key] !== undefined
}

function tap(key: string) {
  if (has(key)) emit('change', { kind: 'unfit', subject: props.pump.id, type: key })
  else fitting.value = fitting.value === key ? '' : key
}
</script>

<template>
  <h3>{{ say('pointing.pump.governed-by') }}</h3>
  <div class="row">
    <Button
      v-for="c in CONTROLS"
      :key="c.key"
      :label="say(has(c.key) ? 'pointing.pump.take-off' : 'pointing.pump.give', c.name)"
      :aria-pressed="has(c.key) ? undefined : fitting === c.key"
      severity="secondary"
      outlined
      @click="tap(c.key)"
    />
  </div>
  <PressureAsked
    v-if="fitting"
    :key="fitting"
    :type="fitting"
    :label="say('pointing.part.put-it-there')"
    @given="(bar) => emit('change', { kind: 'fit', subject: pump.id, type: fitting, bar })"
  />
  <div v-if="drivers.length" class="row">
    <label for="driven-by">{{ say('pointing.pump.driven-by') }}</label>
    <Select
      input-id="driven-by"
      :aria-label="say('pointing.pump.driven-by')"
      :model-value="pump.driver"
      :options="drivers"
      @update:model-value="(to: string) => to !== pump.driver && emit('change', { kind: 'drive', subject: pump.id, to })"
    />
  </div>
</template>

<style scoped>
h3 {
  margin: 14px 0 6px;
}
.row {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 8px;
  margin-bottom: 6px;
}
</style>
