<script setup lang="ts">
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import SelectButton from 'primevue/selectbutton'
import { computed, ref } from 'vue'
import { useDisplay } from '../display/display'
import { typedNumber } from '../display/quantity'
import { day } from '../display/time'
import { typedInto } from '../display/units'
import { say } from '../words'
import type { Upkeep, Write } from './upkeep'

/** What a round brings home: the counter, an indicator, a sample; each is kept by itself. */
const props = defineProps<{ upkeep: Upkeep; write: Write }>()
const display = useDisplay()
const counter = ref('')
const filter = ref(props.upkeep.indicators.at(-1)?.filter ?? props.upkeep.filters[0] ?? '')
const state = ref('green')
const oil = ref('')
const sample = ref({ cleanliness: '', waterPpm: '', viscosity40: '', acid: '' })
const wrong = ref('')
const COLOURS = [
  { key: 'green', label: `● ${say('upkeep.green')}` },
  { key: 'yellow', label: `◆ ${say('upkeep.yellow')}` },
  { key: 'red', label: `▲ ${say('upkeep.red')}` },
]
const FIGURES = [
  ['waterPpm', 'upkeep.water'],
  ['viscosity40', 'upkeep.viscosity'],
  ['acid', 'upkeep.acid'],
] as const
const was = computed(() => (props.upkeep.hoursOn ? say('upkeep.counter-was', props.upkeep.hours ?? 0, day(props.upkeep.hoursOn)) : ''))

/** NaN is told, and nothing is sent. */
function number(name: string, text: string, value: number): number {
  if (Number.isNaN(value)) wrong.value = say('upkeep.not-a-number', name, text)
  return value
}

async function keep(kind: string, said: Record<string, unknown>, clear: () => void) {
  if (Object.values(said).some((v) => typeof v === 'number' && Number.isNaN(v))) return
  wrong.value = ''
  if (await props.write({ kind, ...said })) clear()
}

function keepCounter() {
  void keep('counter', { hours: number(say('upkeep.counter'), counter.value, typedNumber(counter.value)) }, () => (counter.value = ''))
}

function keepIndicator() {
  const oilC = number(say('upkeep.oil-then', display.degrees), oil.value, typedInto('°C', oil.value, display.degrees))
  void keep('indicator', { filter: filter.value, state: state.value, oilC }, () => (oil.value = ''))
}

function keepSample() {
  const figures = FIGURES.filter(([key]) => sample.value[key].trim()).map(([key, word]) => [
    key,
    number(say(word), sample.value[key], typedNumber(sample.value[key])),
  ])
  const said = { cleanliness: sample.value.cleanliness, ...(Object.fromEntries(figures) as Record<string, number>) }
  void keep('sample', said, () => (sample.value = { cleanliness: '', waterPpm: '', viscosity40: '', acid: '' }))
}
</script>

<template>
  <form @submit.prevent="keepCounter">
    <label>{{ say('upkeep.counter') }} <InputText v-model="counter" inputmode="decimal" autocomplete="off" /></label>
    <Button type="submit" :label="say('upkeep.keep-counter')" severity="secondary" outlined :disabled="!counter.trim()" />
    <p class="quiet small">{{ was }} {{ upkeep.hoursPerDay ? say('upkeep.per-day', upkeep.hoursPerDay) : '' }}</p>
  </form>
  <form @submit.prevent="keepIndicator">
    <label>{{ say('upkeep.filter') }} <InputText v-model="filter" /></label>
    <SelectButton
      v-model="state"
      :options="COLOURS"
      option-label="label"
      option-value="key"
      :allow-empty="false"
      :aria-label="say('upkeep.reads')"
    />
    <label>{{ say('upkeep.oil-then', display.degrees) }} <InputText v-model="oil" inputmode="decimal" autocomplete="off" /></label>
    <Button type="submit" :label="say('upkeep.keep-indicator')" severity="secondary" outlined :disabled="!oil.trim() || !filter.trim()" />
  </form>
  <form @submit.prevent="keepSample">
    <label
      >{{ say('upkeep.cleanliness') }} <InputText v-model="sample.cleanliness" autocomplete="off" :placeholder="upkeep.oil.target ?? ''"
    /></label>
    <label v-for="[key, word] in FIGURES" :key="key">
      {{ say(word) }} <InputText v-model="sample[key]" inputmode="decimal" autocomplete="off" />
    </label>
    <Button type="submit" :label="say('upkeep.keep-sample')" severity="secondary" outlined />
  </form>
  <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
</template>

<style scoped>
form {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 12px;
  align-items: end;
  border-top: 1px solid var(--rule);
  padding: 10px 0;
}
form label {
  display: grid;
  gap: 4px;
  flex: 1 1 130px;
  min-width: 0;
}
form p {
  flex: 1 0 100%;
  margin: 0;
}
form :deep(input) {
  width: 100%;
}
.wrong {
  color: var(--stop);
  font-weight: 600;
}
</style>
