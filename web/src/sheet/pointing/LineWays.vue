<script setup lang="ts">
import Button from 'primevue/button'
import Checkbox from 'primevue/checkbox'
import Select from 'primevue/select'
import { computed, ref, watch } from 'vue'
import type { UnitFile } from '../../units/unitFile'
import { say } from '../../words'
import { couldBeBehind, linesOf } from './circuit'
import KindGrid from './KindGrid.vue'
import PressureAsked from './PressureAsked.vue'
import RenameRow from './RenameRow.vue'
import { usePutKinds } from './usePutKinds'
import type { Change } from './useRedraw'

/** What can be done to a line: a part on it, a part into it, another name, one line with another. */
const props = defineProps<{ unit: UnitFile; line: string }>()
const emit = defineEmits<{ change: [change: Change] }>()

const put = ref('')
const into = ref('')
const behind = ref<string[]>([])
const other = ref('')
watch(
  () => props.line,
  () => {
    put.value = into.value = other.value = ''
    behind.value = []
  },
)

const ends = computed(() => couldBeBehind(props.unit, props.line))
const others = computed(() => linesOf(props.unit, [props.line]))
const { kinds, isSet } = usePutKinds()
const home = computed(() => kinds.value.filter((k) => !k.leadsOn).map((k) => k.type))
/** A section hangs on the signal of a pump that senses the load. */
const leadsOn = computed(() =>
  kinds.value.filter((k) => k.leadsOn && (k.type !== 'section' || props.unit.components.some((c) => c.loadSense))).map((k) => k.type),
)
const between = computed(() => kinds.value.filter((k) => k.into).map((k) => k.type))

function choose(type: string) {
  into.value = ''
  if (isSet(type)) put.value = put.value === type ? '' : type
  else emit('change', { kind: 'put', subject: props.line, type })
}

function split(bar?: number) {
  emit('change', { kind: 'split', subject: props.line, type: into.value, behind: behind.value, bar })
}
</script>

<template>
  <KindGrid :label="say('pointing.line.put-on', line)" :types="home" :chosen="put" @choose="choose" />
  <PressureAsked
    v-if="home.includes(put)"
    :key="put"
    :type="put"
    :label="say('pointing.line.put-it-on', line)"
    @given="(bar) => emit('change', { kind: 'put', subject: line, type: put, bar })"
  />
  <KindGrid :label="say('pointing.line.leads-on')" :types="leadsOn" :chosen="put" @choose="choose" />
  <PressureAsked
    v-if="leadsOn.includes(put)"
    :key="put"
    :type="put"
    :label="say('pointing.line.put-it-on', line)"
    @given="(bar) => emit('change', { kind: 'put', subject: line, type: put, bar })"
  />
  <template v-if="ends.length > 1">
    <KindGrid
      :label="say('pointing.line.into', line)"
      :types="between"
      :chosen="into"
      @choose="(t) => [(into = into === t ? '' : t), (put = '')]"
    />
    <div v-if="into" class="behind">
      <span class="small">{{ say('pointing.line.what-stands-behind') }}</span>
      <label v-for="e in ends" :key="e.key"><Checkbox v-model="behind" :value="e.key" :input-id="e.key" /> {{ e.label }}</label>
      <PressureAsked v-if="isSet(into)" :key="into" :type="into" :label="say('pointing.line.put-it-in')" @given="split" />
      <Button v-else :label="say('pointing.line.put-it-in')" :disabled="!behind.length" @click="split()" />
    </div>
  </template>
  <h3>{{ say('pointing.line.this-line') }}</h3>
  <RenameRow :id="line" @renamed="(to) => emit('change', { kind: 'rename', subject: line, to })" />
  <div v-if="others.length" class="row">
    <Select
      v-model="other"
      :options="others"
      :placeholder="say('pointing.line.another-line')"
      :aria-label="say('pointing.line.another-line')"
    />
    <Button
      :label="say('pointing.line.make-one')"
      severity="secondary"
      outlined
      :disabled="!other"
      @click="emit('change', { kind: 'merge', subject: line, to: other })"
    />
  </div>
</template>

<style scoped>
h3 {
  margin: 14px 0 6px;
}
.behind {
  display: grid;
  gap: 10px;
  padding: 10px 0;
}
.behind label {
  display: flex;
  gap: 10px;
  align-items: center;
  min-height: 40px;
}
.row {
  display: flex;
  gap: 8px;
  margin-top: 8px;
}
</style>
