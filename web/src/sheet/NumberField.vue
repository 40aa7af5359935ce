<script setup lang="ts">
import InputText from 'primevue/inputtext'
import { say } from '../words'
import { computed, ref, watch } from 'vue'
import { useDisplay } from '../display/display'
import { fromBar, toBar, typedNumber } from '../display/quantity'

/** A number of the unit file; pressures are shown and typed in the unit that is chosen. */
const props = defineProps<{
  label: string
  value: unknown
  unit: string
  unsure?: boolean
  /** must be more than this, and be given */
  above?: number
  most?: number
}>()
const emit = defineEmits<{ change: [value: number | undefined] }>()
const display = useDisplay()
const text = ref('')
const wrong = ref('')
const pressure = computed(() => props.unit === 'bar' || props.unit === 'bar/turn')
const unit = computed(() => (pressure.value ? props.unit.replace('bar', display.pressure) : props.unit))

/** Bar and MPa as exact as the file has them; psi whole where it is large. */
function outside(value: number): number {
  if (!pressure.value) return value
  const there = fromBar(value, display.pressure)
  return display.pressure === 'psi' && there >= 100 ? Math.round(there) : Number(there.toPrecision(display.pressure === 'psi' ? 3 : 6))
}

watch(
  [() => props.value, () => display.pressure],
  () => {
    const there = typeof props.value === 'number' ? outside(props.value) : undefined
    const same = there !== undefined && Math.abs(inside(typedNumber(text.value)) - Number(props.value)) < 1e-6
    if (!same) text.value = there === undefined ? '' : String(there)
    wrong.value = ''
  },
  { immediate: true },
)

function show(value: number): string {
  return `${outside(value)} ${unit.value}`
}

function inside(value: number): number {
  return pressure.value ? Number(toBar(value, display.pressure).toPrecision(9)) : value
}

function fault(value: number): string {
  if (Number.isNaN(value)) return say('sheet.numberField.is-not-a-number', text.value)
  if (props.above !== undefined && inside(value) <= props.above)
    return say('sheet.numberField.is-too-small-more', text.value, show(props.above))
  return props.most !== undefined && inside(value) > props.most
    ? say('sheet.numberField.is-too-large-at', text.value, show(props.most))
    : ''
}

function typed(now: string | undefined) {
  text.value = now ?? ''
  if (text.value.trim() === '' && props.above === undefined) {
    wrong.value = ''
    emit('change', undefined)
    return
  }
  const value = typedNumber(text.value)
  wrong.value = fault(value)
  if (!wrong.value) emit('change', inside(value))
}
</script>

<template>
  <span class="field" :class="{ unsure }">
    <InputText
      :model-value="text"
      :class="{ long: text.length > 8 }"
      inputmode="decimal"
      :aria-label="label"
      :invalid="wrong !== ''"
      @update:model-value="typed"
    />
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
}
input.long {
  width: 150px;
}
.unsure input {
  border: 2px dashed var(--gold);
}
.wrong {
  flex-basis: 100%;
  color: var(--stop);
  font-size: 14px;
}
</style>
