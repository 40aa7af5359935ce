<script setup lang="ts">
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import SelectButton from 'primevue/selectbutton'
import { ref, watch } from 'vue'
import { say } from '../words'
import type { RunEvent, RunView } from './useRun'

/** What a step asks to be written down: one of a few with a tap, anything else typed. */
const props = defineProps<{ run: RunView; step: string }>()
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

function note(key: string, text: string | undefined) {
  if (text?.trim() && text !== kept(key)) emit('send', { kind: 'noted', step: props.step, note: key, text })
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
        maxlength="200"
        @keydown.enter.prevent="note(n.key, typed[n.key])"
        @blur="note(n.key, typed[n.key])"
      />
      <Button
        :label="say('run.stepAside.write-down')"
        severity="secondary"
        outlined
        :disabled="!typed[n.key]?.trim() || typed[n.key] === kept(n.key)"
        @click="note(n.key, typed[n.key])"
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
</style>
