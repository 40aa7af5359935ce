<script setup lang="ts">
import InputText from 'primevue/inputtext'
import { say } from '../words'
import { useQuery } from '@tanstack/vue-query'
import { computed, ref, watch } from 'vue'
import { useRoute } from 'vue-router'
import { asRefused, call, type Refused, type Schema } from '../api/client'
import Problems from '../display/Problems.vue'
import { typedNumber } from '../display/quantity'
import IdentifyValve from './IdentifyValve.vue'
import SendToSheet from './SendToSheet.vue'

const route = useRoute()
const { data: all } = useQuery({
  queryKey: ['reckon'],
  queryFn: () => call<Schema['CalculatorView'][]>('GET', '/api/reckon'),
  staleTime: Infinity,
})
const IDENTIFY = 'identify'
const chosen = ref('cylinder-pressure')
const given = ref<Record<string, Record<string, string>>>({})
const answer = ref<Schema['ReckonedView']>()
const refused = ref<Refused | null>(null)

const calculator = computed(() => all.value?.find((c) => c.key === chosen.value))
const figures = computed(() => given.value[chosen.value] ?? {})
const wrong = computed(() => Object.fromEntries((refused.value?.places ?? []).map((p) => [p.path, p.message])))

function type(key: string, text: string) {
  given.value[chosen.value] = { ...figures.value, [key]: text }
}

let asked = 0
watch(
  [calculator, figures],
  async () => {
    const c = calculator.value
    if (!c) return
    const mine = ++asked
    const numbers = Object.fromEntries(Object.entries(figures.value).map(([key, text]) => [key, typedNumber(text)]))
    const bad = Object.entries(numbers).filter(([, n]) => Number.isNaN(n))
    if (bad.length) {
      refused.value = asRefused(null)
      refused.value.places.push(
        ...bad.map(([key]) => ({ path: key, message: say('reckon.reckonerPage.is-not-a-number', figures.value[key]) })),
      )
      return
    }
    try {
      const found = await call<Schema['ReckonedView']>('POST', `/api/reckon/${c.key}`, numbers)
      if (mine === asked) {
        answer.value = found
        refused.value = null
      }
    } catch (e) {
      if (mine === asked) refused.value = asRefused(e)
    }
  },
  { deep: true, immediate: true },
)

/** Four figures that count. */
function plain(value: number): string {
  if (value === 0 || Math.abs(value) >= 1000) return value.toFixed(0)
  return String(Number(value.toPrecision(4)))
}
</script>

<template>
  <div class="page">
    <nav class="card" :aria-label="say('reckon.reckonerPage.calculators')">
      <button v-for="c in all" :key="c.key" type="button" :class="{ here: c.key === chosen }" @click="chosen = c.key">{{ c.title }}</button>
      <button type="button" :class="{ here: chosen === IDENTIFY }" @click="chosen = IDENTIFY">
        {{ say('reckon.reckonerPage.which-valve-is-this') }}
      </button>
    </nav>
    <IdentifyValve v-if="chosen === IDENTIFY" :tag="String(route.query.unit ?? '')" />
    <section v-else-if="calculator" class="card">
      <h1>{{ calculator.title }}</h1>
      <div class="inputs">
        <label v-for="f in calculator.inputs" :key="calculator.key + f.key">
          <span>{{ f.label }}</span>
          <span class="field">
            <InputText
              inputmode="decimal"
              :model-value="figures[f.key] ?? String(f.value)"
              :invalid="wrong[f.key] !== undefined"
              @update:model-value="(text) => type(f.key, text ?? '')"
            />
            <span class="quiet">{{ f.unit === '1' ? '' : f.unit }}</span>
          </span>
          <span v-if="wrong[f.key]" class="why" role="alert">{{ wrong[f.key] }}</span>
        </label>
      </div>
      <template v-if="!refused && answer">
        <p class="formula">{{ answer.formula }}</p>
        <div v-for="r in answer.results" :key="r.key" class="result">
          <span>{{ r.label }}</span><b class="live">{{ plain(r.value) }}</b
          ><span>{{ r.unit }}</span>
          <SendToSheet :value="r.value" :unit="r.unit" :tag="String(route.query.unit ?? '')" />
        </div>
      </template>
      <Problems v-else-if="refused && !refused.places.length" :refused="refused" />
    </section>
  </div>
</template>

<style scoped>
.page {
  display: grid;
  grid-template-columns: 320px minmax(0, 1fr);
  gap: 14px;
}
nav {
  display: grid;
  align-content: start;
  padding: 8px;
}
nav button {
  min-height: 44px;
  font: inherit;
  color: inherit;
  text-align: left;
  background: none;
  border: 0;
  border-radius: 6px;
  padding: 0 10px;
  cursor: pointer;
}
nav button.here {
  background: var(--gate);
  color: var(--on-gate);
}
.inputs {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(210px, 1fr));
  gap: 12px 18px;
  margin: 14px 0;
}
label {
  display: grid;
  gap: 4px;
  align-content: start;
}
.field {
  display: flex;
  gap: 8px;
  align-items: center;
}
input {
  width: 120px;
  font-size: 18px;
  font-weight: 600;
}
.why {
  color: var(--stop);
  font-size: 14px;
}
.formula {
  background: var(--water-soft);
  border-radius: 6px;
  padding: 10px 14px;
  margin-bottom: 12px;
  overflow-wrap: anywhere;
}
.result {
  display: grid;
  grid-template-columns: 180px 130px 70px 1fr;
  gap: 10px;
  align-items: center;
  min-height: 56px;
  border-top: 1px solid var(--rule);
}
.result b {
  font-size: 30px;
}
@media (max-width: 800px) {
  .page {
    grid-template-columns: 1fr;
  }
}
</style>
