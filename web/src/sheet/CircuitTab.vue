<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Refused, Schema } from '../api/client'
import Circuit from '../circuit/Circuit.vue'
import CircuitTools from '../circuit/CircuitTools.vue'
import { layout } from '../circuit/layout'
import type { Pointed } from '../circuit/pointed'
import PointedDrawer from './pointing/PointedDrawer.vue'
import { useRedraw, type Change } from './pointing/useRedraw'
import Staff from '../staff/Staff.vue'
import type { UnitFile } from '../units/unitFile'
import { say } from '../words'
import Findings from './Findings.vue'
import SituationBar from './SituationBar.vue'
import { faultsOf } from './suggestions'
import type { WhatIf } from './useSheet'

/** The unit as it is drawn, what the model says of it, and what a hand changes by pointing at it. */
const props = defineProps<{
  tag: string
  base?: Schema['UnitDocument']
  answer?: Schema['SheetView']
  refused: Refused | null
}>()
const unit = defineModel<UnitFile>('unit', { required: true })
const unconfirmed = defineModel<string[]>('unconfirmed', { required: true })
const whatIf = defineModel<WhatIf>('whatIf', { required: true })
const emit = defineEmits<{ take: [suggestion: Schema['SuggestionView']]; accepted: [all: Schema['Accepted'][]]; fields: [id: string] }>()

const drawing = ref<InstanceType<typeof Circuit>>()
const pointed = ref<Pointed>()
const { redraw, refused: notDrawn } = useRedraw(unit, unconfirmed)

const wide = computed(() => layout(unit.value).width > 1000)
const faults = computed(() => faultsOf(unit.value, props.refused ? [] : (props.answer?.ladder.findings ?? []), props.refused?.places ?? []))

function point(at: Pointed) {
  notDrawn.value = null
  pointed.value = at
}

/** What was drawn is what is pointed at next: its fields, its line and its name are one tap away. */
async function change(asked: Change) {
  const made = await redraw(asked)
  if (made === undefined) return
  const kinds: Pointed['kind'][] = ['part', 'line', 'gauge']
  const lists = [unit.value.components, unit.value.lines, unit.value.testPoints ?? []]
  const kind = kinds.find((_, i) => lists[i]?.some((e) => e.id === made))
  pointed.value = kind ? { kind, id: made } : undefined
}
</script>

<template>
  <SituationBar v-model="whatIf" :unit="unit" :steady="answer?.steady" />
  <div :class="['page', { wide }]">
    <section class="card drawing">
      <Circuit
        ref="drawing"
        :unit="unit"
        :steady="refused ? undefined : answer?.steady"
        :positions="whatIf.positions"
        :faults="faults"
        editable
        :current="pointed?.id"
        @pointed="point"
      />
      <div class="under">
        <span class="quiet small">{{
          say(
            'sheet.sheetPage.drawing-sheet-revision-thicker',
            (unit.drawing as { number?: string } | undefined)?.number ?? say('sheet.sheetPage.not-given'),
            base?.revision,
          )
        }}</span>
        <span class="gap"></span>
        <CircuitTools v-if="drawing" :of="drawing" :name="tag" />
      </div>
      <p v-for="w in answer?.steady.warnings" :key="w" class="warning">▲ {{ w }}</p>
    </section>
    <section class="side">
      <div class="staffs">
        <Staff
          v-for="s in answer?.staffs"
          :key="s.line"
          :staff="s"
          :tall="wide ? 360 : 440"
          :live="refused ? undefined : answer?.steady.lines[s.line]?.pressureBar"
        />
      </div>
      <Findings
        v-if="answer"
        :findings="answer.ladder.findings"
        :tag="tag"
        :accepted="base?.accepted"
        @take="emit('take', $event)"
        @accepted="emit('accepted', $event)"
      />
    </section>
  </div>
  <PointedDrawer v-model="pointed" :unit="unit" :refused="notDrawn" @change="change" @fields="emit('fields', $event)" />
</template>

<style scoped>
.page {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 400px;
  gap: 12px;
  margin-top: 10px;
}
.page.wide {
  grid-template-columns: minmax(0, 1fr);
}
.drawing :deep(.circuit) {
  max-height: max(420px, calc(100dvh - 340px));
}
.drawing {
  padding: 4px 10px;
  align-self: start;
}
.under {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  align-items: center;
  margin-top: 8px;
}
.warning {
  font-weight: 600;
}
.side,
.staffs {
  display: grid;
  gap: 12px;
  align-content: start;
}
.wide .staffs {
  grid-template-columns: repeat(auto-fill, minmax(300px, 1fr));
}
.staffs :deep(.staff) {
  max-height: 440px;
}
@media (max-width: 980px) {
  .page {
    grid-template-columns: 1fr;
  }
}
</style>
