<script setup lang="ts">
import Select from 'primevue/select'
import { say } from '../words'
import { useQuery } from '@tanstack/vue-query'
import Button from 'primevue/button'
import { computed, ref } from 'vue'
import { asRefused, call, type Refused, type Schema } from '../api/client'
import { useDisplay } from '../display/display'
import Problems from '../display/Problems.vue'
import { keepDraft, keptDraft } from '../sheet/draft'
import type { UnitFile } from '../units/unitFile'
import UnitSelect from '../units/UnitSelect.vue'

/** Fits an instrument to a test point of a unit: the sheet takes its range, class and unit as a change to be saved. */
const props = defineProps<{ instrument: Schema['Instrument'] }>()
const emit = defineEmits<{ done: [] }>()
const display = useDisplay()
const tag = ref('')
const testPoint = ref('')
const fitted = ref<Schema['FitView']>()
const refused = ref<Refused | null>(null)

const { data: stored } = useQuery({
  queryKey: computed(() => ['unit', tag.value]),
  queryFn: () => call<Schema['UnitDocument']>('GET', `/api/units/${tag.value}`),
  enabled: computed(() => tag.value !== ''),
})
const document = computed(() =>
  tag.value ? (keptDraft(tag.value)?.document ?? (stored.value?.document as UnitFile | undefined)) : undefined,
)

async function fit() {
  const there = stored.value
  if (!there || !document.value) return
  try {
    fitted.value = await call<Schema['FitView']>('POST', `/api/units/${tag.value}/fitted/${testPoint.value}?${display.query}`, {
      instrument: props.instrument.id,
      document: document.value,
    })
    const kept = keptDraft(tag.value)
    keepDraft(tag.value, {
      base: kept?.base ?? there.revision,
      document: fitted.value.document as UnitFile,
      unconfirmed: kept?.unconfirmed ?? there.unconfirmed,
    })
    refused.value = null
  } catch (e) {
    refused.value = asRefused(e)
  }
}
</script>

<template>
  <section class="card fit">
    <h2>{{ say('instruments.fitInstrument.fit', instrument.name) }}</h2>
    <label
      >{{ say('instruments.fitInstrument.unit') }}
      <UnitSelect
        v-model="tag"
        :label="say('instruments.fitInstrument.unit')"
        :placeholder="say('instruments.fitInstrument.choose')"
        @update:model-value="testPoint = ''"
    /></label>
    <label v-if="document"
      >{{ say('instruments.fitInstrument.test-point') }}
      <Select
        v-model="testPoint"
        :options="document.testPoints"
        :option-label="(t) => say('instruments.fitInstrument.on-line', t.id, t.line)"
        option-value="id"
        :placeholder="say('instruments.fitInstrument.choose')"
        :aria-label="say('instruments.fitInstrument.test-point')"
    /></label>
    <Button :label="say('instruments.fitInstrument.fit-and-check')" :disabled="!testPoint" @click="fit" />
    <Button :label="say('instruments.fitInstrument.close')" severity="secondary" outlined @click="emit('done')" />
    <Problems :refused="refused" />
    <div v-if="fitted" class="remarks" role="status">
      <p v-if="!fitted.remarks.length">{{ say('instruments.fitInstrument.it-suits-every-target') }}</p>
      <p v-for="r in fitted.remarks" :key="r" class="against">▲ {{ r }}</p>
      <p>
        <RouterLink :to="{ name: 'sheet', params: { tag } }">{{ say('instruments.fitInstrument.on-the-sheet-of', tag) }}</RouterLink>
        {{ say('instruments.fitInstrument.it-is-a-change') }}
      </p>
    </div>
  </section>
</template>

<style scoped>
.fit {
  display: flex;
  flex-wrap: wrap;
  gap: 10px 16px;
  align-items: center;
  margin-bottom: 12px;
}
label {
  display: inline-flex;
  gap: 8px;
  align-items: center;
}
.remarks {
  flex-basis: 100%;
}
.against {
  color: var(--stop);
}
</style>
