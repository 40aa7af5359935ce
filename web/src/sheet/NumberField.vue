<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { useDisplay } from '../display/display'
import { fromBar, toBar, typedNumber } from '../display/quantity'

/** A number of the unit file; pressures are shown and typed in the unit that is chosen. */
const props = defineProps<{ label: string; value: unknown; unit: string; unsure?: boolean }>()
const emit = defineEmits<{ change: [value: number | undefined] }>()
const display = useDisplay()
const text = ref('')
const wrong = ref('')
const pressure = computed(() => props.unit === 'bar' || props.unit === 'bar/turn')
const unit = computed(() => (pressure.value ? props.unit.replace('bar', display.pressure) : props.unit))

function outside(value: number): number {
  return pressure.value ? Number(fromBar(value, display.pressure).toPrecision(6)) : value
}

watch(
  [() => props.value, () => display.pressure],
  () => {
    const there = typeof props.value === 'number' ? outside(props.value) : undefined
    if (typedNumber(text.value) !== there) text.value = there === undefined ? '' : String(there)
    wrong.value = ''
  },
  { immediate: true },
)

function typed() {
  if (text.value.trim() === '') {
    wrong.value = ''
    emit('change', undefined)
    return
  }
  const value = typedNumber(text.value)
  wrong.value = Number.isNaN(value) ? `"${text.value}" is not a number. Digits and one decimal point or comma.` : ''
  if (!wrong.value) emit('change', pressure.value ? Number(toBar(value, display.pressure).toPrecision(9)) : value)
}
</script>

<template>
  <span class="field" :class="{ unsure }">
    <input v-model="text" class="p-inputtext" inputmode="decimal" :aria-label="label" :aria-invalid="wrong !== ''" @input="typed" />
    <span class="quiet">{{ unit }}</span>
    <span v-if="wrong" class="wrong" role="alert">{{ wrong }}</span>
  </span>
</template>

<style scoped>
.field {
  display: inline-flex;
  align-items: center;
  gap: 6px;
  flex-wrap: wrap;
}
input {
  width: 104px;
  font-weight: 600;
  padding: 4px 10px;
  background: var(--board);
  color: var(--ink);
  border: 1.5px solid var(--quiet);
  border-radius: 6px;
}
.unsure input {
  border: 2px dashed var(--gold);
}
input[aria-invalid='true'] {
  border-color: var(--stop);
  border-width: 3px;
}
.wrong {
  flex-basis: 100%;
  color: var(--stop);
  font-size: 14px;
}
</style>
