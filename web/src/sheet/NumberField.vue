<script setup lang="ts">
import InputText from 'primevue/inputtext'
import { say } from '../words'
import { computed, nextTick, ref, watch } from 'vue'
import { useDisplay } from '../display/display'
import { namesUnit, outOf, typedInto, unitBeside } from '../display/units'

/** A number of the unit file, shown and typed in the units that are chosen; one that is typed with its unit is converted. */
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
const unit = computed(() => unitBeside(props.unit, display.pressure))

/** What the file has as exact as it has it; what had to be converted to what paper has: whole psi where it is large. */
function outside(value: number): number {
  const there = outOf(props.unit, value, unit.value)
  if (display.pressure === 'psi' && props.unit === 'bar' && there >= 100) return Math.round(there)
  return Number(there.toPrecision(unit.value === props.unit || display.pressure !== 'psi' ? 6 : unit.value.startsWith('psi') ? 3 : 4))
}

/** What stood there before it was typed at. */
let before = props.value
let takenBack = false

watch(
  [() => props.value, () => display.pressure],
  () => {
    // What is being typed stays, wrong as it is.
    if (takenBack) return
    const there = typeof props.value === 'number' ? outside(props.value) : undefined
    const same = there !== undefined && Math.abs(inside(text.value) - Number(props.value)) < 1e-6
    if (!same) text.value = there === undefined ? '' : String(there)
    wrong.value = ''
  },
  { immediate: true },
)

function show(value: number): string {
  return `${outside(value)} ${unit.value}`
}

function inside(typed: string): number {
  return Number(typedInto(props.unit, typed, unit.value).toPrecision(9))
}

function fault(value: number): string {
  if (Number.isNaN(value)) return say('sheet.numberField.is-not-a-number', text.value)
  if (props.above !== undefined && value <= props.above) return say('sheet.numberField.is-too-small-more', text.value, show(props.above))
  return props.most !== undefined && value > props.most ? say('sheet.numberField.is-too-large-at', text.value, show(props.most)) : ''
}

/** Of "29O" or "290 p" the 290 was not meant: nothing of what is wrong counts. */
function takeBack() {
  if (props.value === before) return
  takenBack = true
  emit('change', typeof before === 'number' ? before : undefined)
  void nextTick(() => (takenBack = false))
}

/** The unit that was typed has done its work: the one beside the field says it. */
function left() {
  if (!wrong.value && namesUnit(text.value) && typeof props.value === 'number') text.value = String(outside(props.value))
}

function typed(now: string | undefined) {
  text.value = now ?? ''
  if (text.value.trim() === '' && props.above === undefined) {
    wrong.value = ''
    emit('change', undefined)
    return
  }
  const value = inside(text.value)
  wrong.value = fault(value)
  if (!wrong.value) emit('change', value)
  else takeBack()
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
      @focus="before = value"
      @blur="left"
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
