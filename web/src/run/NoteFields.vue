<script setup lang="ts">
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import SelectButton from 'primevue/selectbutton'
import { ref, watch } from 'vue'
import { withUnit } from '../display/units'
import { say } from '../words'
import StopClock from './StopClock.vue'
import type { RunEvent, RunView } from './useRun'

/** What a step asks to be written down: one of a few with a tap, anything else typed. */
const props = defineProps<{ run: RunView; step: string; /** the practice machine's own time, s */ machineS?: number }>()
const emit = defineEmits<{ send: [event: RunEvent] }>()
const typed = ref<Record<string, string>>({})

function kept(key: string): string | undefined {
  return props.run.noted.find((n) => n.key === key)?.text
}

watch(
  () => props.run.noted,
  (noted, before) => {
    noted.forEach((n) => (typed.value[n.key] ??= n.text))
    // Taken back, it is not there to be written down again by the way.
    before?.filter((b) => !noted.some((n) => n.key === b.key)).forEach((b) => (typed.value[b.key] = ''))
  },
  { immediate: true },
)

type Asked = NonNullable<RunView['step']>['notes'][number]

/** What was read off an instrument is a bare number; the unit in which it is shown is kept with it. */
function written(n: Asked): string {
  const text = typed.value[n.key]?.trim() ?? ''
  return n.unit ? withUnit(text, n.unit) : text
}

/** What ran into a can is typed, the time that it took is stopped. */
function timed(n: Asked, seconds: number) {
  typed.value[n.key] = n.figure === 'flow' ? say('run.noteFields.in', typed.value[n.key]?.trim() || '… L', seconds) : `${seconds} s`
}

function note(key: string, text: string) {
  if (!text || text === kept(key)) return
  typed.value[key] = text
  emit('send', { kind: 'noted', step: props.step, note: key, text })
}
</script>

<template>
  <div v-for="n in run.step?.notes ?? []" :key="n.key" class="row">
    <label :id="`label-${n.key}`" :for="n.key">{{ n.label }}</label>
    <SelectButton
      v-if="n.choices.length"
      :model-value="kept(n.key)"
      :options="n.choices"
      option-label="label"
      option-value="text"
      :allow-empty="false"
      :aria-labelledby="`label-${n.key}`"
      @update:model-value="(text: string) => note(n.key, text)"
    />
    <template v-else>
      <InputText
        :id="n.key"
        v-model="typed[n.key]"
        :class="{ figure: n.figure }"
        maxlength="200"
        @keydown.enter.prevent="note(n.key, written(n))"
        @blur="note(n.key, written(n))"
      />
      <span v-if="n.unit && written(n) !== typed[n.key]">{{ n.unit }}</span>
      <StopClock v-if="n.timed" :machine-s="machineS" @stopped="(s: number) => timed(n, s)" />
      <Button
        :label="say('run.stepAside.write-down')"
        severity="secondary"
        outlined
        :disabled="!written(n) || written(n) === kept(n.key)"
        @click="note(n.key, written(n))"
      />
    </template>
    <span v-if="kept(n.key)" class="chip pass">{{ say('run.stepAside.kept') }}</span>
  </div>
</template>

<style scoped>
.row {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
}
label {
  min-width: 150px;
}
/* Room for "0.5 L in 40.2 s". */
.figure {
  width: 136px;
}
</style>
