<script setup lang="ts">
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import Message from 'primevue/message'
import { computed, ref } from 'vue'
import { asRefused, call, type Refused } from '../api/client'
import { useDisplay } from '../display/display'
import FileDrop from '../display/FileDrop.vue'
import { settingName } from '../display/names'
import Problems from '../display/Problems.vue'
import { say } from '../words'
import type { History } from './history'
import { emptyDraft, fromFile, toRecord, type OlderRecord } from './olderRecord'
import { userName } from '../display/userName'

/** A commissioning from before: typed in from paper, or read from a file and looked over. */
const props = defineProps<{ history: History }>()
const emit = defineEmits<{ kept: [history: History]; left: [] }>()
const MOST_BYTES = 8_000_000
const display = useDisplay()
/** Pressures are typed in the unit that was shown when the form was opened or filled. */
const unit = ref(display.pressure)
const draft = ref(emptyDraft(props.history))
const typedBy = ref(userName())
const file = ref<{ name: string; text: string }>()
const ignored = ref<string[]>([])
const wrong = ref<string[]>([])
const refused = ref<Refused | null>(null)
const proved = computed(() => draft.value.source === 'proved-record')
const COLUMNS = [
  ['found', 'history.form.found'],
  ['left', 'history.form.left'],
  ['asked', 'history.form.asked'],
  ['tolerance', 'history.form.tolerance'],
] as const
const path = computed(() => `/api/units/${encodeURIComponent(props.history.tag)}/older-records`)
const known = computed(() => new Set(props.history.settings.map((s) => s.setting)))

async function take(chosen: File) {
  refused.value = null
  wrong.value = []
  try {
    const text = await chosen.text()
    const read = await call<{ record: OlderRecord; ignored: string[] }>('POST', `${path.value}/read`, { file: text })
    unit.value = display.pressure
    draft.value = fromFile(read.record, props.history, unit.value)
    file.value = { name: chosen.name, text }
    ignored.value = read.ignored
  } catch (e) {
    refused.value = asRefused(e)
  }
}

async function keep() {
  refused.value = null
  const made = toRecord(draft.value, props.history.tag, unit.value)
  wrong.value = made.wrong
  if (made.wrong.length) return
  try {
    const body = { record: made.record, typedBy: typedBy.value, file: proved.value ? file.value?.text : null }
    emit('kept', await call<History>('POST', `${path.value}?${display.query}`, body, true))
  } catch (e) {
    refused.value = asRefused(e)
  }
}
</script>

<template>
  <form class="card older" @submit.prevent="keep">
    <h2>{{ say('history.form.title', history.tag) }}</h2>
    <p>{{ say('history.form.what') }}</p>
    <FileDrop :label="say('history.form.choose')" accept=".json,.csv,application/json,text/csv" :most="MOST_BYTES" @file="take" />
    <p v-if="file" role="status">
      <b>{{ say('history.form.from-file', file.name) }}</b>
      {{ say(proved ? 'history.form.proved' : 'history.form.no-proof') }}
      <b v-if="ignored.length">{{ say('history.form.ignored', ignored.join(', ')) }}</b>
    </p>
    <div class="fields">
      <label>{{ say('history.form.on') }} <InputText v-model="draft.on" type="date" :disabled="proved" required /></label>
      <label>{{ say('history.form.by') }} <InputText v-model="draft.by" autocomplete="off" :disabled="proved" required /></label>
      <label>{{ say('history.form.witness') }} <InputText v-model="draft.witness" autocomplete="off" :disabled="proved" /></label>
      <label>{{ say('history.form.hours') }} <InputText v-model="draft.hours" inputmode="decimal" :disabled="proved" /></label>
      <label class="wide">{{ say('history.form.remark') }} <InputText v-model="draft.remark" /></label>
    </div>
    <table>
      <thead>
        <tr>
          <th scope="col">{{ say('history.setting') }}</th>
          <th v-for="[column, word] in COLUMNS" :key="column" scope="col">{{ say(word, unit) }}</th>
          <th scope="col">{{ say('history.form.reason') }}</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="(row, i) in draft.settings" :key="row.setting + i">
          <th scope="row">
            {{ known.has(row.setting) ? settingName(row.setting) : say('history.form.other-row', row.setting) }}
          </th>
          <td v-for="[column, word] in COLUMNS" :key="column">
            <InputText
              v-model="row[column]"
              inputmode="decimal"
              autocomplete="off"
              :disabled="proved"
              :aria-label="`${settingName(row.setting)}: ${say(word, unit)}`"
            />
          </td>
          <td class="reason">
            <InputText
              v-model="row.reason"
              fluid
              :disabled="proved"
              :aria-label="`${settingName(row.setting)}: ${say('history.form.reason')}`"
            />
          </td>
        </tr>
      </tbody>
    </table>
    <div class="fields">
      <div v-for="p in draft.pumps" :key="p.pump" class="pump">
        <b>{{ p.pump }}</b>
        <label>{{ say('history.form.pump-efficiency') }} <InputText v-model="p.efficiency" inputmode="decimal" :disabled="proved" /></label>
        <label>{{ say('history.form.bounds') }} <InputText v-model="p.plusMinus" inputmode="decimal" :disabled="proved" /></label>
      </div>
    </div>
    <label class="who">{{ say('history.form.typed-by') }} <InputText v-model="typedBy" required /></label>
    <Message v-if="wrong.length" severity="error">
      <div v-for="w in wrong" :key="w">{{ w }}</div>
    </Message>
    <Problems :refused="refused" />
    <div class="go">
      <Button type="submit" :label="say('history.form.keep')" />
      <Button :label="say('history.form.leave')" severity="secondary" outlined @click="emit('left')" />
    </div>
  </form>
</template>

<style scoped>
.older {
  display: grid;
  gap: 12px;
  margin-bottom: 14px;
}
.fields {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(190px, 1fr));
  gap: 10px 14px;
}
.fields label,
.who {
  display: grid;
  gap: 4px;
}
.who {
  max-width: 320px;
}
.wide {
  grid-column: 1 / -1;
}
.pump {
  display: grid;
  grid-template-columns: auto 150px 100px;
  justify-content: start;
  gap: 10px;
  align-items: end;
}
.pump :deep(input) {
  width: 100%;
}
.pump b {
  padding-bottom: 12px;
}
table {
  border-collapse: collapse;
  width: 100%;
}
th {
  text-align: left;
  font-weight: 600;
  padding: 4px 8px 4px 0;
}
td {
  padding: 3px 6px 3px 0;
}
td :deep(input) {
  width: 100px;
}
td.reason {
  width: 36%;
}
td.reason :deep(input) {
  width: 100%;
}
.go {
  display: flex;
  gap: 8px;
}
@media (max-width: 800px) {
  table {
    display: block;
    overflow-x: auto;
  }
}
</style>
