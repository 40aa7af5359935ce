<script setup lang="ts">
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import SelectButton from 'primevue/selectbutton'
import { computed, ref } from 'vue'
import { typedNumber } from '../display/quantity'
import { say } from '../words'
import type { Task, Upkeep, Write } from './upkeep'

/** Which school, and how often each task; what is changed here is an entry of its own. */
const props = defineProps<{ upkeep: Upkeep; write: Write }>()
const SCHOOLS = [
  { key: 'by-condition', label: say('upkeep.by-condition') },
  { key: 'by-hours', label: say('upkeep.by-hours') },
]
const school = ref(props.upkeep.school ?? 'by-condition')
/** As typed; a task that has no interval of its own in this school is not asked for one. */
const days = ref<Record<string, string>>({})
const hours = ref<Record<string, string>>({})
const wrong = ref('')
const tasks = computed(() => props.upkeep.tasks)

function interval(typed: Record<string, string>, t: Task, now?: number | null): string {
  return typed[t.task] ?? (now === null || now === undefined ? '' : String(now))
}

function intervals(typed: Record<string, string>, of: (t: Task) => number | null | undefined): Record<string, number> {
  const all = tasks.value.map((t): [Task, string] => [t, interval(typed, t, of(t))]).filter(([, text]) => text.trim())
  return Object.fromEntries(
    all.map(([t, text]) => {
      const value = typedNumber(text)
      if (Number.isNaN(value)) wrong.value = say('upkeep.not-a-number', t.name, text)
      return [t.task, value]
    }),
  )
}

async function keep() {
  wrong.value = ''
  const entry = {
    kind: 'schedule',
    school: school.value,
    days: intervals(days.value, (t) => t.everyDays),
    everyHours: intervals(hours.value, (t) => t.everyHours),
  }
  if (!wrong.value && (await props.write(entry))) days.value = hours.value = {}
}
</script>

<template>
  <form @submit.prevent="keep">
    <p>
      {{ say('upkeep.school') }}
      <SelectButton
        v-model="school"
        :options="SCHOOLS"
        option-label="label"
        option-value="key"
        :allow-empty="false"
        :aria-label="say('upkeep.school')"
      />
    </p>
    <div v-if="tasks.length" class="tasks">
      <label v-for="t in tasks.filter((x) => x.everyDays || x.everyHours)" :key="t.task">
        <span>{{ t.name }}</span>
        <span class="quiet small">{{ say(t.everyHours ? 'upkeep.every-hours' : 'upkeep.every-days') }}</span>
        <InputText
          :model-value="t.everyHours ? interval(hours, t, t.everyHours) : interval(days, t, t.everyDays)"
          inputmode="numeric"
          @update:model-value="(v) => ((t.everyHours ? hours : days)[t.task] = v ?? '')"
        />
      </label>
    </div>
    <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
    <Button
      type="submit"
      :label="say(upkeep.school ? 'upkeep.keep-schedule' : 'upkeep.begin.go')"
      :severity="upkeep.school ? 'secondary' : undefined"
      :outlined="!!upkeep.school"
    />
  </form>
</template>

<style scoped>
form {
  display: grid;
  gap: 10px;
  justify-items: start;
}
form p {
  display: flex;
  flex-wrap: wrap;
  gap: 12px;
  align-items: center;
}
.tasks {
  display: grid;
  width: 100%;
  grid-template-columns: repeat(auto-fill, minmax(220px, 1fr));
  gap: 10px 16px;
}
.tasks label {
  display: grid;
  gap: 2px;
  align-content: end;
}
.wrong {
  color: var(--stop);
  font-weight: 600;
}
</style>
