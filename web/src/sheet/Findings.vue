<script setup lang="ts">
import InputText from 'primevue/inputtext'
import { say } from '../words'
import Button from 'primevue/button'
import { ref } from 'vue'
import { asRefused, call, type Refused, type Schema } from '../api/client'
import { useDisplay } from '../display/display'
import { settingName } from '../display/names'
import Problems from '../display/Problems.vue'
import { keepUserName, userName } from '../display/userName'

type Finding = Schema['FindingView']
type Suggestion = Schema['SuggestionView']
type Accepted = Schema['Accepted']

const props = defineProps<{ findings: Finding[]; tag?: string; accepted?: Accepted[] }>()
const emit = defineEmits<{ take: [suggestion: Suggestion]; accepted: [all: Accepted[]] }>()
const display = useDisplay()
const SIGN: Record<string, string> = {
  stop: say('sheet.findings.stop'),
  warn: say('sheet.findings.mind'),
  info: say('sheet.findings.note'),
}
const opened = ref('')
const reason = ref('')
const by = ref(userName())
const releasedBy = ref('')
const refused = ref<Refused | null>(null)

function offer(s: Suggestion): string {
  if (s.setting && s.pressureBar !== undefined && s.pressureBar !== null) {
    return say('sheet.findings.set-to', settingName(s.setting), display.show(s.pressureBar))
  }
  if (s.key === 'rangeBar') return say('sheet.findings.fit-with-a-range', s.part, display.show(s.value ?? 0))
  if (s.key === 'class') return say('sheet.findings.fit-of-class', s.part, s.value)
  if (s.key === 'prechargeBar') return say('sheet.findings.charge-to', s.part, display.show(s.value ?? 0))
  if (s.key === 'differential') return say('sheet.findings.fit-of-the-differential', s.part, Math.round((s.value ?? 0) * 100))
  return say('sheet.findings.fit-for-l-min', s.part, display.flow(s.value ?? 0))
}

function stands(f: Finding): Accepted | undefined {
  return props.accepted?.find((a) => a.fingerprint === f.acceptedAs)
}

async function letStand(f: Finding) {
  try {
    const body = { fingerprint: f.fingerprint, reason: reason.value, by: by.value, releasedBy: releasedBy.value }
    emit('accepted', await call<Accepted[]>('POST', `/api/units/${props.tag}/accepted`, body))
    keepUserName(by.value)
    opened.value = ''
    reason.value = ''
    refused.value = null
  } catch (e) {
    refused.value = asRefused(e)
  }
}
</script>

<template>
  <section :aria-label="say('sheet.findings.findings')" class="findings">
    <p v-if="!findings.length" class="card holds">
      <b>{{ say('sheet.findings.every-relation-holds') }}</b> {{ say('sheet.findings.reliefs-above-compensators-and') }}
    </p>
    <article v-for="f in findings" :key="f.rule + f.setting + f.message" class="card" :class="[f.severity, { stands: stands(f) }]">
      <p>
        <b class="sign">{{ SIGN[f.severity] }} · {{ f.rule }}</b> {{ f.message }}
      </p>
      <p v-if="stands(f)" class="small">
        <b>{{ say('sheet.findings.let-stand') }}</b> {{ say('sheet.findings.by', stands(f)?.by)
        }}<template v-if="stands(f)?.releasedBy">{{ say('sheet.findings.released-by', stands(f)?.releasedBy) }}</template
        >: {{ stands(f)?.reason }}
      </p>
      <div v-else class="go">
        <Button v-if="f.suggestion" :label="offer(f.suggestion)" outlined @click="emit('take', f.suggestion)" />
        <Button
          v-if="tag && f.severity !== 'info'"
          :label="say('sheet.findings.let-it-stand')"
          severity="secondary"
          text
          @click="opened = opened === f.fingerprint ? '' : f.fingerprint"
        />
      </div>
      <form v-if="opened === f.fingerprint" class="form" @submit.prevent="letStand(f)">
        <label>{{ say('sheet.findings.reason') }} <InputText v-model="reason" required /></label>
        <label>{{ say('sheet.findings.your-name') }} <InputText v-model="by" required /></label>
        <label v-if="f.release">{{ say('sheet.findings.released-by-a-second') }} <InputText v-model="releasedBy" required /></label>
        <Problems :refused="refused" />
        <Button type="submit" :label="say('sheet.findings.keep-with-this-reason')" />
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
  color: var(--gold-text);
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
