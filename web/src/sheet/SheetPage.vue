<script setup lang="ts">
import InputText from 'primevue/inputtext'
import { say } from '../words'
import { useQueryClient } from '@tanstack/vue-query'
import Button from 'primevue/button'
import { computed, ref } from 'vue'
import { useRoute } from 'vue-router'
import { asRefused, Refused, type Schema } from '../api/client'
import Problems from '../display/Problems.vue'
import CircuitTab from './CircuitTab.vue'
import ClashPanel from './ClashPanel.vue'
import Unusable from '../display/Unusable.vue'
import Findings from './Findings.vue'
import { follow } from './suggestions'
import MissingList from './MissingList.vue'
import PartsEditor from './PartsEditor.vue'
import RevisionList from './RevisionList.vue'
import SheetFiles from './SheetFiles.vue'
import SheetTabs from './SheetTabs.vue'
import TargetTable from './TargetTable.vue'
import type { SheetTab } from './tabs'
import { useUndoKeys } from './undoKeys'
import { AT_REST, useSheet, type WhatIf } from './useSheet'
import { keepUserName, userName } from '../display/userName'

const props = defineProps<{ tag: string }>()
const queries = useQueryClient()
const whatIf = ref<WhatIf>(structuredClone(AT_REST))
const {
  draft,
  unconfirmed,
  measured,
  base,
  answer,
  targets,
  refused,
  clash,
  changed,
  loadError,
  save,
  merge,
  undo,
  redo,
  canUndo,
  canRedo,
} = useSheet(props.tag, whatIf)

/** At first the part that somebody was sent here to mend. */
const chosen = ref(String(useRoute().query.part ?? ''))
const tab = ref<SheetTab>(chosen.value ? 'parts' : 'circuit')
const by = ref(userName())

const problem = computed(() => {
  const r = refused.value
  // While a sheet is being filled in this is no refusal, it is what is left to do.
  if (r?.status === 422) return new Refused(say('sheet.sheetPage.before-it-can-be'), r.places, r.status)
  return r ?? (loadError.value ? asRefused(loadError.value) : null)
})
function take(suggestion: Schema['SuggestionView']) {
  if (draft.value) follow(draft.value, suggestion)
}

function edit(id: string) {
  chosen.value = id
  tab.value = 'parts'
}

function keep() {
  keepUserName(by.value)
  void save(by.value)
}

function noted(all: Schema['Accepted'][]) {
  if (base.value) base.value = { ...base.value, accepted: all }
  void queries.invalidateQueries({ queryKey: ['units'] })
}

useUndoKeys(undo, redo)
</script>

<template>
  <div v-if="draft" class="head no-print">
    <SheetTabs v-model="tab" />
    <span class="gap"></span>
    <span v-if="changed" class="chip plain">{{ say('sheet.sheetPage.not-saved-yet') }}</span>
    <Button :label="say('sheet.sheetPage.undo')" severity="secondary" outlined :disabled="!canUndo" @click="undo" />
    <Button :label="say('sheet.sheetPage.redo')" severity="secondary" outlined :disabled="!canRedo" @click="redo" />
    <InputText v-model="by" class="name" :aria-label="say('sheet.sheetPage.your-name')" :placeholder="say('sheet.sheetPage.your-name')" />
    <Button :label="say('sheet.sheetPage.save-as-new-revision')" :disabled="!changed" @click="keep" />
  </div>
  <MissingList
    v-if="draft && problem && refused?.status === 422"
    :refused="problem"
    :unit="draft"
    @mend="(way) => draft && unconfirmed.push(...way(draft))"
    @open="edit"
  />
  <Problems v-else :refused="problem" />
  <ClashPanel v-if="clash" :clash="clash" @merge="merge" />
  <Unusable :all="base?.unreadable" :title="say('display.changed.title')" />
  <template v-if="draft">
    <h1 class="heading">{{ say('sheet.sheetPage.target-sheet-revision', tag, draft.name, base?.revision) }}</h1>
    <CircuitTab
      v-if="tab === 'circuit'"
      v-model:unit="draft"
      v-model:unconfirmed="unconfirmed"
      v-model:what-if="whatIf"
      :tag="tag"
      :base="base"
      :answer="answer"
      :refused="refused"
      @take="take"
      @accepted="noted"
      @fields="edit"
    />
    <PartsEditor
      v-else-if="tab === 'parts'"
      v-model:unit="draft"
      v-model:unconfirmed="unconfirmed"
      :problems="refused?.places ?? []"
      :chosen="chosen"
    />
    <section v-else-if="tab === 'targets'" class="card targets">
      <Findings
        v-if="answer?.ladder.findings.length"
        :findings="answer.ladder.findings"
        :tag="tag"
        :accepted="base?.accepted"
        @take="take"
        @accepted="noted"
      />
      <TargetTable v-model="draft" v-model:measured="measured" :targets="targets" />
      <SheetFiles v-model="draft" :tag="tag" />
    </section>
    <RevisionList v-else :tag="tag" />
    <p v-if="unconfirmed.length" class="quiet small no-print">
      {{
        say(
          'sheet.sheetPage.that-nobody-has-confirmed',
          unconfirmed.length,
          unconfirmed.length === 1 ? say('sheet.sheetPage.value-is-a-default') : say('sheet.sheetPage.values-are-defaults'),
        )
      }}
    </p>
  </template>
  <p v-else-if="!problem" class="quiet">{{ say('sheet.sheetPage.reading-the-sheet') }}</p>
</template>

<style scoped>
.head {
  display: flex;
  align-items: center;
  flex-wrap: wrap;
  gap: 8px;
  margin-bottom: 8px;
}
.name {
  width: 130px;
}
.targets {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 14px;
}
@media not print {
  .heading {
    position: absolute;
    width: 1px;
    height: 1px;
    overflow: hidden;
    clip-path: inset(50%);
  }
}
</style>
