<script setup lang="ts">
import InputText from 'primevue/inputtext'
import { say } from '../words'
import Button from 'primevue/button'
import Listbox from 'primevue/listbox'
import { computed } from 'vue'
import { useRoute } from 'vue-router'
import Problems from '../display/Problems.vue'
import IdentifyValve from './IdentifyValve.vue'
import SendToSheet from './SendToSheet.vue'
import { useReckoner } from './useReckoner'

const route = useRoute()
const { all, chosen, calculator, figures, wrong, answer, refused, type, anew } = useReckoner()
const IDENTIFY = 'identify'
const list = computed(() => [...(all.value ?? []), { key: IDENTIFY, title: say('reckon.reckonerPage.which-valve-is-this') }])

function print() {
  window.print()
}

/** Four figures that count. */
function plain(value: number): string {
  if (value === 0 || Math.abs(value) >= 1000) return value.toFixed(0)
  return String(Number(value.toPrecision(4)))
}
</script>

<template>
  <div class="page">
    <Listbox
      :model-value="chosen"
      :options="list"
      option-label="title"
      option-value="key"
      class="no-print"
      scroll-height="none"
      :aria-label="say('reckon.reckonerPage.calculators')"
      @update:model-value="(key: string | null) => key && (chosen = key)"
    />
    <IdentifyValve v-if="chosen === IDENTIFY" :tag="String(route.query.unit ?? '')" />
    <section v-else-if="calculator" class="card">
      <div class="head">
        <h1>{{ calculator.title }}</h1>
        <span class="gap"></span>
        <Button class="no-print" :label="say('reckon.reckonerPage.anew')" severity="secondary" outlined @click="anew" />
        <Button class="no-print" :label="say('reckon.reckonerPage.print')" severity="secondary" outlined @click="print" />
      </div>
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
          <SendToSheet :value="r.fileValue" :unit="r.fileUnit" :tag="String(route.query.unit ?? '')" />
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
:deep(.p-listbox-option) {
  min-height: 44px;
}
.head {
  display: flex;
  gap: 10px;
  align-items: center;
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
  width: 140px;
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
    grid-template-columns: minmax(0, 1fr);
  }
  .head {
    flex-wrap: wrap;
  }
  .result {
    grid-template-columns: 1fr auto auto;
    padding: 6px 0;
  }
}
</style>
