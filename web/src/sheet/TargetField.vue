<script setup lang="ts">
import { ref, watch } from 'vue'
import { useDisplay } from '../display/display'
import { pressureNumber, toBar, typedNumber } from '../display/quantity'

const props = defineProps<{ label: string; bar: number }>()
const emit = defineEmits<{ change: [bar: number] }>()
const display = useDisplay()
const text = ref('')
const wrong = ref('')

watch(
  [() => props.bar, () => display.pressure],
  () => {
    const same = Math.abs(toBar(typedNumber(text.value), display.pressure) - props.bar) < 1e-9
    if (!same) text.value = pressureNumber(props.bar, display.pressure)
    wrong.value = ''
  },
  { immediate: true },
)

function typed() {
  const value = typedNumber(text.value)
  if (Number.isNaN(value)) {
    wrong.value = `"${text.value}" is not a number. Digits and one decimal point or comma.`
  } else if (value <= 0) {
    wrong.value = `${text.value} is too small; more than 0 ${display.pressure} is needed.`
  } else if (toBar(value, display.pressure) > 1000) {
    wrong.value = `${text.value} is too large; at most ${display.show(1000)}.`
  } else {
    wrong.value = ''
    emit('change', toBar(value, display.pressure))
  }
}
</script>

<template>
  <span class="field">
    <input
      v-model="text" class="p-inputtext" inputmode="decimal" :aria-label="label" :aria-invalid="wrong !== ''"
      @input="typed" />
    <span class="quiet">{{ display.pressure }}</span>
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
  width: 84px;
  font-size: 17px;
  font-weight: 600;
  padding: 4px 10px;
  background: var(--board);
  color: var(--ink);
  border: 1.5px solid var(--quiet);
  border-radius: 6px;
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
