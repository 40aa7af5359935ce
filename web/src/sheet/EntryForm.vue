<script setup lang="ts">
import Button from 'primevue/button'
import Select from 'primevue/select'
import Checkbox from 'primevue/checkbox'
import InputText from 'primevue/inputtext'
import { say } from '../words'
import { computed } from 'vue'
import type { UnitFile } from '../units/unitFile'
import type { Field } from './fields'
import { isDriver } from '../parts/kinds'
import { GROUPS } from './newParts'
import NumberField from './NumberField.vue'
import PositionsField from './PositionsField.vue'

/** One entry of the unit file as a form, in the order of its schema. */
const props = defineProps<{
  unit: UnitFile
  entry: Record<string, unknown>
  fields: Field[]
  path: string
  unconfirmed: string[]
  /** what is wrong, by key */
  wrong: Record<string, string>
}>()
const emit = defineEmits<{ change: [key: string, value: unknown]; confirm: [path: string] }>()

const lines = computed(() => ['T', ...props.unit.lines.map((l) => l.id)])
const drivers = computed(() => props.unit.components.filter(isDriver).map((c) => c.id))
const settings = computed(() =>
  props.unit.components.flatMap((c) => [
    ...(c.settingBar !== undefined ? [c.id] : []),
    ...['compensator', 'loadSense', 'powerLimiter', 'reliefA', 'reliefB'].filter((k) => c[k] !== undefined).map((k) => `${c.id}.${k}`),
  ]),
)

function unsure(key: string): boolean {
  return props.unconfirmed.includes(`${props.path}.${key}`)
}

function choices(f: Field): string[] {
  return f.kind === 'line' ? lines.value : f.kind === 'driver' ? drivers.value : f.kind === 'setting' ? settings.value : f.choices
}

function inGroup(f: Field, key: string, value: unknown) {
  emit('change', f.key, { ...(props.entry[f.key] as Record<string, unknown>), [key]: value })
}

function toggle(f: Field) {
  emit('change', f.key, props.entry[f.key] === undefined ? structuredClone(GROUPS[f.key] ?? {}) : undefined)
}

function ends(value: unknown): [number | undefined, number | undefined] {
  return Array.isArray(value) ? (value as [number, number]) : [undefined, undefined]
}

function end(i: 0 | 1, value: number | undefined, from: unknown, set: (v: unknown) => void) {
  const both = [...ends(from)]
  both[i] = value
  set(both[0] === undefined && both[1] === undefined ? undefined : both)
}
</script>

<template>
  <div class="form">
    <template v-for="f in fields" :key="f.key">
      <fieldset v-if="f.kind === 'group'">
        <legend>
          <label class="check">
            <Checkbox binary :model-value="entry[f.key] !== undefined" :disabled="f.required" @update:model-value="toggle(f)" />
            {{ f.label }}
          </label>
        </legend>
        <EntryForm
          v-if="entry[f.key] !== undefined"
          :unit="unit"
          :entry="entry[f.key] as Record<string, unknown>"
          :fields="f.fields"
          :path="`${path}.${f.key}`"
          :unconfirmed="unconfirmed"
          :wrong="{}"
          @change="(key, value) => inGroup(f, key, value)"
          @confirm="emit('confirm', $event)"
        />
      </fieldset>
      <div v-else class="row" :class="{ bad: wrong[f.key] }">
        <span class="label">{{ f.label }}<span v-if="f.required" aria-hidden="true"> ·</span></span>
        <NumberField
          v-if="f.kind === 'number'"
          :label="f.label"
          :value="entry[f.key]"
          :unit="f.unit"
          :unsure="unsure(f.key)"
          @change="emit('change', f.key, $event)"
        />
        <span v-else-if="f.kind === 'range'" class="pair">
          <NumberField
            :label="say('sheet.entryForm.from', f.label)"
            :value="ends(entry[f.key])[0]"
            :unit="f.unit"
            :unsure="unsure(f.key)"
            @change="end(0, $event, entry[f.key], (v) => emit('change', f.key, v))"
          />
          {{ say('sheet.entryForm.to') }}
          <NumberField
            :label="say('sheet.entryForm.to-2', f.label)"
            :value="ends(entry[f.key])[1]"
            :unit="f.unit"
            :unsure="unsure(f.key)"
            @change="end(1, $event, entry[f.key], (v) => emit('change', f.key, v))"
          />
        </span>
        <label v-else-if="f.kind === 'flag'" class="check">
          <Checkbox
            binary
            :model-value="entry[f.key] === true"
            :aria-label="f.label"
            @update:model-value="(on) => emit('change', f.key, on || undefined)"
          />
          {{ say('sheet.entryForm.yes') }}
        </label>
        <span v-else-if="f.kind === 'ports'" class="ports">
          <label v-for="l in lines" :key="l" class="check">
            <Checkbox
              binary
              :model-value="(entry[f.key] as string[] | undefined)?.includes(l)"
              :aria-label="say('sheet.entryForm.port', l)"
              @update:model-value="
                emit(
                  'change',
                  f.key,
                  lines.filter((x) => (x === l) !== ((entry[f.key] as string[] | undefined) ?? []).includes(x)),
                )
              "
            />
            {{ l }}
          </label>
        </span>
        <PositionsField v-else-if="f.kind === 'positions'" :value="entry[f.key]" @change="emit('change', f.key, $event)" />
        <InputText
          v-else-if="f.kind === 'text'"
          class="text"
          :model-value="String(entry[f.key] ?? '')"
          :aria-label="f.label"
          @update:model-value="(text) => emit('change', f.key, text || undefined)"
        />
        <Select
          v-else
          :aria-label="f.label"
          :model-value="entry[f.key]"
          :options="choices(f)"
          :option-label="(c) => (c === 'T' ? say('sheet.entryForm.tank') : c)"
          :placeholder="f.required ? say('sheet.entryForm.choose') : say('sheet.entryForm.not-given')"
          :show-clear="!f.required"
          @update:model-value="(c) => emit('change', f.key, c ?? undefined)"
        />
        <Button
          v-if="unsure(f.key)"
          outlined
          class="confirm"
          :label="say('sheet.entryForm.default-confirm')"
          @click="emit('confirm', `${path}.${f.key}`)"
        />
        <span v-if="wrong[f.key]" class="why" role="alert">{{ wrong[f.key] }}</span>
      </div>
    </template>
  </div>
</template>

<style scoped>
.form {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(min(390px, 100%), 1fr));
  gap: 6px 20px;
  align-items: start;
}
fieldset {
  grid-column: 1 / -1;
  border: 1px solid var(--rule);
  border-radius: 8px;
  padding: 4px 12px 10px;
}
legend {
  font-weight: 600;
}
.row {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 8px;
  min-height: 46px;
}
.label {
  flex: 0 0 170px;
  color: var(--quiet);
}
.bad .label {
  color: var(--stop);
  font-weight: 700;
}
.pair,
.ports {
  display: inline-flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
}
.pair :deep(input) {
  width: 72px;
}
select,
.text {
  min-width: 110px;
}
.confirm.p-button {
  font-size: 14px;
  color: var(--gold-text);
  border: 1px dashed var(--gold);
  padding: 0 10px;
}
.why {
  flex-basis: 100%;
  color: var(--stop);
  font-size: 14px;
}
</style>
