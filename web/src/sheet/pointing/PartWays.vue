<script setup lang="ts">
import Button from 'primevue/button'
import Select from 'primevue/select'
import { computed, ref, watch } from 'vue'
import { isDriver } from '../../parts/kinds'
import { TANK, type UnitComponent, type UnitFile } from '../../units/unitFile'
import { say } from '../../words'
import { endsOf, instead, isBetween, linesOf } from './circuit'
import KindGrid from './KindGrid.vue'
import PressureAsked from './PressureAsked.vue'
import PumpWays from './PumpWays.vue'
import RenameRow from './RenameRow.vue'
import { usePutKinds } from './usePutKinds'
import type { Change } from './useRedraw'

/** What can be done to a part: its fields, one more, out, another in its place, its ends elsewhere, another name. */
const props = defineProps<{ unit: UnitFile; part: UnitComponent }>()
const emit = defineEmits<{ change: [change: Change]; fields: [] }>()

const { kinds, isSet } = usePutKinds()
const by = ref('')
watch(
  () => props.part.id,
  () => (by.value = ''),
)
const ends = computed(() => endsOf(props.part))
const places = computed(() => instead(props.part, kinds.value))
/** What was asked of the old one is the likeliest of the new one. */
const before = computed(
  () => props.unit.targets?.find((t) => t.setting === props.part.id)?.pressureBar ?? (props.part.settingBar as number | undefined),
)

function replace(type: string) {
  if (isSet(type)) by.value = by.value === type ? '' : type
  else emit('change', { kind: 'replace', subject: props.part.id, type })
}
</script>

<template>
  <div class="buttons">
    <Button :label="say('pointing.part.fields')" @click="emit('fields')" />
    <Button
      v-if="!isDriver(part)"
      :label="say('pointing.part.second')"
      severity="secondary"
      outlined
      @click="emit('change', { kind: 'second', subject: part.id })"
    />
    <Button
      :label="say('pointing.part.take-out')"
      severity="secondary"
      outlined
      @click="emit('change', { kind: 'remove', subject: part.id })"
    />
    <Button
      v-if="isBetween(part)"
      :label="say('pointing.part.join', part.inlet ?? part.a, part.outlet ?? part.b)"
      severity="secondary"
      outlined
      @click="emit('change', { kind: 'join', subject: part.id })"
    />
  </div>
  <template v-if="places.length">
    <KindGrid :label="say('pointing.part.instead', part.id)" :types="places" :chosen="by" @choose="replace" />
    <PressureAsked
      v-if="by"
      :key="by"
      :type="by"
      :before="before"
      :label="say('pointing.part.put-it-there')"
      @given="(bar) => emit('change', { kind: 'replace', subject: part.id, type: by, bar })"
    />
  </template>
  <PumpWays v-if="part.type === 'pump'" :unit="unit" :pump="part" @change="emit('change', $event)" />
  <template v-if="ends.length">
    <h3>{{ say('pointing.part.ends') }}</h3>
    <div v-for="e in ends" :key="e.key" class="end">
      <label :for="`end-${e.key}`">{{ e.label }}</label>
      <Select
        :input-id="`end-${e.key}`"
        :aria-label="e.label"
        :model-value="e.line"
        :options="[...linesOf(unit), TANK]"
        @update:model-value="(to: string) => to !== e.line && emit('change', { kind: 'move', subject: part.id, end: e.key, to })"
      />
    </div>
  </template>
  <h3>{{ say('pointing.rename.name') }}</h3>
  <RenameRow :id="part.id" @renamed="(to) => emit('change', { kind: 'rename', subject: part.id, to })" />
</template>

<style scoped>
.buttons {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
h3 {
  margin: 14px 0 6px;
}
.end {
  display: grid;
  grid-template-columns: 110px 130px;
  gap: 8px;
  align-items: center;
  margin-bottom: 6px;
}
</style>
