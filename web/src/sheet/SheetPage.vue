<script setup lang="ts">
import Button from 'primevue/button'
import { computed, ref } from 'vue'
import { asRefused, type Schema } from '../api/client'
import Circuit from '../circuit/Circuit.vue'
import { useDisplay } from '../display/display'
import { settingName } from '../display/names'
import Problems from '../display/Problems.vue'
import Staff from '../staff/Staff.vue'
import Findings from './Findings.vue'
import TargetField from './TargetField.vue'
import { useSheet, type WhatIf } from './useSheet'

const props = defineProps<{ tag: string }>()
const display = useDisplay()
const whatIf = ref<WhatIf>({ running: true, openings: {}, oilC: 50 })
const { draft, revision, answer, refused, changed, loadError, save, undoAll } = useSheet(props.tag, whatIf)

const throttles = computed(() => draft.value?.components.filter((c) => c.type === 'throttle') ?? [])
const motors = computed(() => draft.value?.components.filter((c) => ['electric-motor', 'engine', 'dc-motor'].includes(c.type)) ?? [])
const problem = computed(() => refused.value ?? (loadError.value ? asRefused(loadError.value) : null))

function figure(id: string, key: string): number {
  const value = answer.value?.steady.components[id]?.[key]
  return typeof value === 'number' ? value : 0
}

function presentBar(setting: string): number {
  const [id, control] = setting.split('.')
  const part = draft.value?.components.find((c) => c.id === id)
  return (control ? part?.compensator?.settingBar : part?.settingBar) ?? 0
}

function take(s: Schema['SuggestionView']) {
  const unit = draft.value
  if (!unit) return
  if (s.setting && s.pressureBar) {
    const target = unit.targets?.find((t) => t.setting === s.setting)
    if (target) target.pressureBar = s.pressureBar
  } else if (s.key) {
    const part = [...unit.components, ...(unit.testPoints ?? [])].find((p) => p.id === s.part)
    if (part) Object.assign(part, { [s.key]: s.value })
  }
}
</script>

<template>
  <Problems :refused="problem" />
  <template v-if="draft">
    <section class="card bar" aria-label="What if">
      <b>What if</b>
      <label class="check"><input v-model="whatIf.running" type="checkbox" /> motor running</label>
      <label v-for="t in throttles" :key="t.id" class="slide">{{ t.id }} {{ t.purpose ?? 'load' }}
        <input
          type="range" min="0" max="1" step="0.01" :value="whatIf.openings[t.id] ?? 0" :aria-label="`Opening of ${t.id}`"
          @input="whatIf.openings[t.id] = Number(($event.target as HTMLInputElement).value)" />
        <b>{{ Math.round((whatIf.openings[t.id] ?? 0) * 100) }} %</b>
      </label>
      <label class="slide">oil
        <input v-model.number="whatIf.oilC" type="range" min="0" max="80" step="1" aria-label="Oil temperature" />
        <b>{{ whatIf.oilC }} °C</b>
      </label>
      <span class="gap"></span>
      <span v-for="m in motors" :key="m.id">{{ m.id }}
        <b class="live">{{ figure(m.id, 'powerKw').toFixed(1) }}</b> of {{ m.ratedPowerKw }} kW ·
        <b class="live">{{ figure(m.id, 'currentA').toFixed(1) }}</b> A ·
        <b :class="figure(m.id, 'load') > 1 ? 'over' : 'live'">{{ figure(m.id, 'load') > 1 ? '▲ ' : '' }}{{ Math.round(figure(m.id, 'load') * 100) }} %</b>
      </span>
    </section>
    <div class="page">
      <section class="left">
        <div class="card drawing"><Circuit :unit="draft" :steady="answer?.steady" /></div>
        <div class="card">
          <div class="row">
            <h2>Target sheet</h2>
            <span class="quiet small">drawing {{ (draft.drawing as { number?: string })?.number ?? 'not given' }}, sheet revision {{ revision }}</span>
            <span class="gap"></span>
            <span v-if="changed" class="chip plain">not saved yet</span>
            <Button v-if="changed" label="Undo all" severity="secondary" outlined @click="undoAll" />
            <Button label="Save as new revision" :disabled="!changed" @click="save" />
          </div>
          <table>
            <thead><tr><th>Setting</th><th>Target</th><th>Tolerance</th><th>Stands at</th><th>Test point</th></tr></thead>
            <tbody>
              <tr v-for="t in draft.targets" :key="t.setting">
                <td><b>{{ settingName(t.setting) }}</b><div class="quiet small">{{ t.defined ?? 'cut-off' }}</div></td>
                <td><TargetField :label="`Target of ${settingName(t.setting)}`" :bar="t.pressureBar" @change="t.pressureBar = $event" /></td>
                <td><TargetField :label="`Tolerance of ${settingName(t.setting)}`" :bar="t.toleranceBar ?? t.pressureBar * 0.02" @change="t.toleranceBar = $event" /></td>
                <td>{{ display.show(presentBar(t.setting)) }}</td>
                <td><div v-for="g in draft.testPoints" :key="g.id">{{ g.id }}, 0 to {{ display.show(g.rangeBar) }}, class {{ g.class }}</div></td>
              </tr>
            </tbody>
          </table>
        </div>
      </section>
      <section class="right">
        <Staff v-for="s in answer?.staffs" :key="s.line" :staff="s" :tall="440" :live="answer?.steady.lines[s.line]?.pressureBar" />
        <Findings v-if="answer" :findings="answer.ladder.findings" @take="take" />
      </section>
    </div>
  </template>
  <p v-else-if="!problem" class="quiet">Reading the sheet …</p>
</template>

<style scoped>
.bar {
  display: flex;
  align-items: center;
  gap: 18px;
  padding: 8px 18px;
  flex-wrap: wrap;
  min-height: 60px;
}
.check,
.slide {
  display: flex;
  align-items: center;
  gap: 8px;
  min-height: 44px;
}
.check input {
  width: 24px;
  height: 24px;
  accent-color: var(--gate);
}
.slide input {
  width: 130px;
  height: 44px;
  accent-color: var(--gate);
}
.slide b {
  min-width: 46px;
}
.over {
  color: var(--stop);
}
.gap {
  flex: 1;
}
.page {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 400px;
  gap: 14px;
  margin-top: 12px;
}
.left {
  display: grid;
  gap: 12px;
  align-content: start;
}
.drawing {
  padding: 4px 8px;
}
.row {
  display: flex;
  align-items: center;
  gap: 12px;
  min-height: 46px;
}
.right {
  display: grid;
  gap: 12px;
  align-content: start;
}
.right :deep(.staff) {
  max-height: 440px;
}
@media (max-width: 980px) {
  .page {
    grid-template-columns: 1fr;
  }
}
</style>
