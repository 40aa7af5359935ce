<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import Column from 'primevue/column'
import DataTable from 'primevue/datatable'
import { computed, ref } from 'vue'
import { asRefused, call } from '../api/client'
import { useDisplay } from '../display/display'
import { settingName } from '../display/names'
import Problems from '../display/Problems.vue'
import { day } from '../display/time'
import UnitSelect from '../units/UnitSelect.vue'
import { useUnits } from '../units/useUnits'
import { say } from '../words'
import type { History } from './history'

/** This unit beside another: what is asked of each setting, where it was last left, and the pumps. */
const props = defineProps<{ history: History }>()
const display = useDisplay()
const { data: units } = useUnits()
/** Built after the same drawing, it is a sister by itself. */
const sister = computed(
  () =>
    units.value?.find((u) => u.tag !== props.history.tag && !!props.history.drawing && u.drawing.startsWith(props.history.drawing))?.tag,
)
const chosen = ref('')
const tag = computed(() => chosen.value || sister.value || '')
const { data: other, error } = useQuery({
  queryKey: computed(() => ['history', tag.value, display.pressure]),
  queryFn: () => call<History>('GET', `/api/units/${encodeURIComponent(tag.value)}/history?${display.query}`),
  enabled: computed(() => !!tag.value),
})

function lines(of?: History): Record<string, { asked: string; left: string }> {
  if (!of) return {}
  const settings = of.settings.map((s) => {
    const left = s.stood.filter((at) => at.leftBar !== null && at.leftBar !== undefined).at(-1)
    return [
      settingName(s.setting),
      {
        asked:
          s.targetBar === null || s.targetBar === undefined
            ? ''
            : say('history.plus-minus', display.show(s.targetBar), display.show(s.toleranceBar ?? 0)),
        left: left ? `${display.show(left.leftBar ?? 0)}, ${day(left.on)}` : '',
      },
    ]
  })
  const pumps = of.pumps.map((p) => {
    const last = p.measured.at(-1)
    return [
      say('history.efficiency-of', p.pump),
      {
        asked: p.asNew.toFixed(2),
        left: last ? `${say('history.plus-minus', last.volumetricEfficiency.toFixed(3), last.plusMinus.toFixed(3))}, ${day(last.on)}` : '',
      },
    ]
  })
  return Object.fromEntries([...settings, ...pumps]) as Record<string, { asked: string; left: string }>
}

const rows = computed(() => {
  const ours = lines(props.history)
  const theirs = lines(other.value)
  return [...new Set([...Object.keys(ours), ...Object.keys(theirs)])].map((name) => ({ name, ours: ours[name], theirs: theirs[name] }))
})
</script>

<template>
  <UnitSelect
    :model-value="tag"
    :label="say('history.choose-sister')"
    :placeholder="say('history.choose-sister')"
    @update:model-value="(t: string) => (chosen = t)"
  />
  <Problems :refused="error ? asRefused(error) : null" />
  <DataTable v-if="other" size="small" :value="rows" data-key="name">
    <Column :header="say('history.setting')">
      <template #body="{ data: r }"
        ><b>{{ r.name }}</b></template
      >
    </Column>
    <Column :header="say('history.target-of', history.tag)">
      <template #body="{ data: r }">{{ r.ours?.asked ?? '–' }}</template>
    </Column>
    <Column :header="say('history.last-left', history.tag)">
      <template #body="{ data: r }">{{ r.ours?.left || '–' }}</template>
    </Column>
    <Column :header="say('history.target-of', other.tag)">
      <template #body="{ data: r }">{{ r.theirs?.asked ?? '–' }}</template>
    </Column>
    <Column :header="say('history.last-left', other.tag)">
      <template #body="{ data: r }">{{ r.theirs?.left || '–' }}</template>
    </Column>
  </DataTable>
</template>

<style scoped>
:deep(td) {
  font-size: 15px;
}
</style>
