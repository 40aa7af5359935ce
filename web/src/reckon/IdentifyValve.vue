<script setup lang="ts">
import RadioButton from 'primevue/radiobutton'
import Select from 'primevue/select'
import { say } from '../words'
import { computed, ref, watch } from 'vue'
import { useQuery } from '@tanstack/vue-query'
import { asRefused, call, type Refused, type Schema } from '../api/client'
import Problems from '../display/Problems.vue'
import type { UnitFile } from '../units/unitFile'

const props = defineProps<{ tag: string }>()
const TRAITS = [
  {
    key: 'pilot',
    ask: say('reckon.identifyValve.where-does-its-pilot'),
    choices: {
      OWN_INLET: say('reckon.identifyValve.its-own-inlet'),
      REMOTE: say('reckon.identifyValve.another-line'),
      OWN_INLET_AND_REMOTE: say('reckon.identifyValve.own-inlet-and-another'),
      OWN_OUTLET: say('reckon.identifyValve.its-own-outlet'),
    },
  },
  {
    key: 'rest',
    ask: say('reckon.identifyValve.how-does-it-stand'),
    choices: { CLOSED: say('reckon.identifyValve.closed-arrow-beside-the'), OPEN: say('reckon.identifyValve.open-arrow-between-the') },
  },
  { key: 'reverseCheck', ask: say('reckon.identifyValve.is-there-a-check'), choices: { true: 'yes', false: 'no' } },
  {
    key: 'drain',
    ask: say('reckon.identifyValve.where-does-its-spring'),
    choices: { INTERNAL: say('reckon.identifyValve.inside-to-its-outlet'), EXTERNAL: say('reckon.identifyValve.by-a-line-of') },
  },
  {
    key: 'place',
    ask: say('reckon.identifyValve.where-does-it-stand'),
    choices: {
      PUMP_LINE_TO_TANK: say('reckon.identifyValve.from-the-pump-line'),
      BESIDE_PUMP: say('reckon.identifyValve.beside-a-pump'),
      BEFORE_ACTUATOR: say('reckon.identifyValve.before-an-actuator'),
      AFTER_ACTUATOR: say('reckon.identifyValve.after-an-actuator'),
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
    <h1>{{ say('reckon.identifyValve.which-valve-is-this') }}</h1>
    <p class="quiet">{{ say('reckon.identifyValve.five-traits-of-its') }}</p>
    <fieldset v-for="t in TRAITS" :key="t.key">
      <legend>{{ t.ask }}</legend>
      <label v-for="(text, value) in t.choices" :key="value"
        ><RadioButton v-model="seen[t.key]" :name="t.key" :value="String(value)" /> {{ text }}</label
      >
    </fieldset>
    <label v-if="valves.length" class="declared"
      >{{ say('reckon.identifyValve.on-the-sheet-of', tag) }}
      <Select
        v-model="declared"
        :options="valves"
        :option-label="(v) => `${v.id}, ${v.type.replaceAll('-', ' ')}`"
        option-value="id"
        :placeholder="say('reckon.identifyValve.not-chosen')"
        :aria-label="say('reckon.identifyValve.on-the-sheet-of', tag)"
      />
    </label>
    <Problems :refused="refused" />
    <div v-if="found" class="answer" role="status">
      <h2 v-if="sure.length">● {{ sure.map((m) => m.name).join(say('reckon.identifyValve.or')) }}</h2>
      <h2 v-else>{{ say('reckon.identifyValve.no-valve-has-all', found.matches[0]?.name, found.matches[0]?.against.join(', ')) }}</h2>
      <p v-if="type && !found.declared.length">{{ say('reckon.identifyValve.that-is-what-the') }}</p>
      <p v-else-if="type" class="against">
        {{ say('reckon.identifyValve.the-sheet-says-against', type.replaceAll('-', ' '), found.declared.join(', ')) }}
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
