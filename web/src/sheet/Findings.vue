<script setup lang="ts">
import Button from 'primevue/button'
import { ref } from 'vue'
import { asRefused, call, type Refused, type Schema } from '../api/client'
import { useDisplay } from '../display/display'
import { settingName } from '../display/names'
import Problems from '../display/Problems.vue'

type Finding = Schema['FindingView']
type Suggestion = Schema['SuggestionView']
type Accepted = Schema['Accepted']

const props = defineProps<{ findings: Finding[]; tag?: string; accepted?: Accepted[] }>()
const emit = defineEmits<{ take: [suggestion: Suggestion]; accepted: [all: Accepted[]] }>()
const display = useDisplay()
const SIGN: Record<string, string> = { stop: '■ Stop', warn: '▲ Mind', info: '● Note' }
const opened = ref('')
const reason = ref('')
const by = ref(localStorage.getItem('name') ?? '')
const releasedBy = ref('')
const refused = ref<Refused | null>(null)

function offer(s: Suggestion): string {
  if (s.setting && s.pressureBar !== undefined && s.pressureBar !== null) {
    return `Set ${settingName(s.setting)} to ${display.show(s.pressureBar)}`
  }
  if (s.key === 'rangeBar') return `Fit ${s.part} with a range of ${display.show(s.value ?? 0)}`
  if (s.key === 'class') return `Fit ${s.part} of class ${s.value}`
  if (s.key === 'prechargeBar') return `Charge ${s.part} to ${display.show(s.value ?? 0)}`
  if (s.key === 'differential') return `Fit ${s.part} of the differential type, ${Math.round((s.value ?? 0) * 100)} %`
  return `Fit ${s.part} for ${s.value} L/min`
}

function stands(f: Finding): Accepted | undefined {
  return props.accepted?.find((a) => a.fingerprint === f.fingerprint)
}

async function letStand(f: Finding) {
  try {
    const body = { fingerprint: f.fingerprint, reason: reason.value, by: by.value, releasedBy: releasedBy.value }
    emit('accepted', await call<Accepted[]>('POST', `/api/units/${props.tag}/accepted`, body))
    localStorage.setItem('name', by.value)
    opened.value = ''
    reason.value = ''
    refused.value = null
  } catch (e) {
    refused.value = asRefused(e)
  }
}
</script>

<template>
  <section aria-label="Findings" class="findings">
    <p v-if="!findings.length" class="card holds">
      <b>● Every relation holds.</b> Reliefs above compensators and below ratings, branches below their supply, motor and gauges fit.
    </p>
    <article v-for="f in findings" :key="f.rule + f.setting + f.message" class="card" :class="[f.severity, { stands: stands(f) }]">
      <p>
        <b class="sign">{{ SIGN[f.severity] }} · {{ f.rule }}</b> {{ f.message }}
      </p>
      <p v-if="stands(f)" class="small">
        <b>○ Let stand</b> by {{ stands(f)?.by }}<template v-if="stands(f)?.releasedBy">, released by {{ stands(f)?.releasedBy }}</template
        >: {{ stands(f)?.reason }}
      </p>
      <div v-else class="go">
        <Button v-if="f.suggestion" :label="offer(f.suggestion)" outlined @click="emit('take', f.suggestion)" />
        <Button
          v-if="tag && f.severity !== 'info'"
          label="Let it stand …"
          severity="secondary"
          text
          @click="opened = opened === f.fingerprint ? '' : f.fingerprint"
        />
      </div>
      <form v-if="opened === f.fingerprint" class="form" @submit.prevent="letStand(f)">
        <label>Reason <input v-model="reason" class="p-inputtext" required /></label>
        <label>Your name <input v-model="by" class="p-inputtext" required /></label>
        <label v-if="f.rule === 'L13' && f.severity === 'stop'"
          >Released by a second person <input v-model="releasedBy" class="p-inputtext" required
        /></label>
        <Problems :refused="refused" />
        <Button type="submit" label="Keep with this reason" />
      </form>
    </article>
  </section>
</template>

<style scoped>
.findings {
  display: grid;
  gap: 8px;
}
article,
.holds {
  border-left: 7px solid var(--gate);
  padding: 10px 14px;
  display: grid;
  gap: 8px;
  justify-items: start;
}
.stop {
  border-left-color: var(--stop);
}
.warn {
  border-left-color: var(--gold);
}
.info {
  border-left-color: var(--water);
}
.stop .sign {
  color: var(--stop);
}
.warn .sign {
  color: var(--gold);
}
.stands {
  border-left-style: dotted;
}
.go {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
.form {
  display: grid;
  gap: 8px;
  width: 100%;
}
.form label {
  display: grid;
  gap: 4px;
}
</style>
