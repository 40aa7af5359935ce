<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { useQuery } from '@tanstack/vue-query'
import { asRefused, call, type Refused, type Schema } from '../api/client'
import Problems from '../display/Problems.vue'
import type { UnitFile } from '../units/unitFile'

const props = defineProps<{ tag: string }>()
const TRAITS = [
  {
    key: 'pilot',
    ask: 'Where does its pilot come from?',
    choices: {
      OWN_INLET: 'its own inlet',
      REMOTE: 'another line',
      OWN_INLET_AND_REMOTE: 'own inlet and another line',
      OWN_OUTLET: 'its own OUTLET',
    },
  },
  {
    key: 'rest',
    ask: 'How does it stand at rest?',
    choices: { CLOSED: 'closed: arrow beside the ports', OPEN: 'open: arrow between the ports' },
  },
  { key: 'reverseCheck', ask: 'Is there a check beside it, free the other way?', choices: { true: 'yes', false: 'no' } },
  {
    key: 'drain',
    ask: 'Where does its spring chamber drain?',
    choices: { INTERNAL: 'inside, to its outlet', EXTERNAL: 'by a line of its own' },
  },
  {
    key: 'place',
    ask: 'Where does it stand?',
    choices: {
      PUMP_LINE_TO_TANK: 'from the pump line to tank',
      BESIDE_PUMP: 'beside a pump',
      BEFORE_ACTUATOR: 'before an actuator',
      AFTER_ACTUATOR: 'after an actuator',
    },
  },
] as const
const seen = ref<Record<string, string>>({})
const declared = ref('')
const found = ref<Schema['IdentifiedView']>()
const refused = ref<Refused | null>(null)
const sure = computed(() => found.value?.matches.filter((m) => !m.against.length) ?? [])

const { data: stored } = useQuery({
  queryKey: ['unit', props.tag],
  queryFn: () => call<Schema['UnitDocument']>('GET', `/api/units/${props.tag}`),
  enabled: props.tag !== '',
})
const valves = computed(() =>
  ((stored.value?.document as UnitFile | undefined)?.components ?? []).filter((c) =>
    ['relief-valve', 'unloading-valve', 'sequence-valve', 'counterbalance-valve', 'reducing-valve'].includes(c.type),
  ),
)
const type = computed(() => valves.value.find((v) => v.id === declared.value)?.type ?? '')

let asked = 0
watch(
  [seen, type],
  async () => {
    if (TRAITS.some((t) => !seen.value[t.key])) return
    const mine = ++asked
    try {
      const answer = await call<Schema['IdentifiedView']>('POST', '/api/calc/identify', {
        ...seen.value,
        reverseCheck: seen.value.reverseCheck === 'true',
        declared: type.value,
      })
      if (mine !== asked) return
      found.value = answer
      refused.value = null
    } catch (e) {
      refused.value = asRefused(e)
    }
  },
  { deep: true },
)
</script>

<template>
  <section class="card">
    <h1>Which valve is this?</h1>
    <p class="quiet">Five traits of its symbol name a pressure valve.</p>
    <fieldset v-for="t in TRAITS" :key="t.key">
      <legend>{{ t.ask }}</legend>
      <label v-for="(text, value) in t.choices" :key="value"
        ><input v-model="seen[t.key]" type="radio" :name="t.key" :value="String(value)" /> {{ text }}</label
      >
    </fieldset>
    <label v-if="valves.length" class="declared"
      >On the sheet of {{ tag }} it is
      <select v-model="declared" class="p-inputtext">
        <option value="">not chosen</option>
        <option v-for="v in valves" :key="v.id" :value="v.id">{{ v.id }}, {{ v.type.replaceAll('-', ' ') }}</option>
      </select>
    </label>
    <Problems :refused="refused" />
    <div v-if="found" class="answer" role="status">
      <h2 v-if="sure.length">● {{ sure.map((m) => m.name).join(' or ') }}</h2>
      <h2 v-else>▲ No valve has all five. Nearest: {{ found.matches[0]?.name }}, but not {{ found.matches[0]?.against.join(', ') }}.</h2>
      <p v-if="type && !found.declared.length">● That is what the sheet says.</p>
      <p v-else-if="type" class="against">
        ▲ The sheet says {{ type.replaceAll('-', ' ') }}; against it speaks {{ found.declared.join(', ') }}.
      </p>
    </div>
  </section>
</template>

<style scoped>
.card {
  display: grid;
  gap: 10px;
  align-content: start;
}
fieldset {
  border: 0;
  border-top: 1px solid var(--rule);
  padding: 6px 0;
  margin: 0;
}
legend {
  font-weight: 600;
}
label {
  display: inline-flex;
  gap: 8px;
  align-items: center;
  min-height: 44px;
  margin-right: 22px;
}
input {
  width: 22px;
  height: 22px;
  accent-color: var(--gate);
}
.answer {
  background: var(--gate-soft);
  border-radius: 6px;
  padding: 12px 16px;
}
.against {
  color: var(--stop);
  font-weight: 600;
}
</style>
