<script setup lang="ts">
import InputText from 'primevue/inputtext'
import { say } from '../words'
import { useQuery } from '@tanstack/vue-query'
import Button from 'primevue/button'
import { computed, nextTick, ref, watch } from 'vue'
import { call, type Place } from '../api/client'
import type { UnitFile } from '../units/unitFile'
import ChapterList from './ChapterList.vue'
import { CHAPTERS, type Chapter, type List } from './chapters'
import EntryForm from './EntryForm.vue'
import { fieldsOf, type UnitSchema } from './fields'
import { addPart } from './newParts'

/** The unit part by part, in the order in which a schematic is read. */
const props = defineProps<{ problems: Place[]; chosen: string }>()
const unit = defineModel<UnitFile>('unit', { required: true })
const unconfirmed = defineModel<string[]>('unconfirmed', { required: true })

const { data: schema } = useQuery({
  queryKey: ['unit-schema'],
  queryFn: () => call<UnitSchema>('GET', '/api/unit-schema'),
  staleTime: Infinity,
})

const chapter = ref(0)
const here = computed(() => CHAPTERS[chapter.value] as Chapter)

type Entry = Record<string, unknown>

function listOf(name: List): Entry[] {
  return (unit.value[name] ??= []) as unknown as Entry[]
}

function entriesOf(c: Chapter): Entry[] {
  if (!c.list) return []
  return listOf(c.list).filter((e) => !c.types || c.types.includes(String(e.type)))
}

function nameOf(e: Entry): string {
  return String(e.id ?? e.setting ?? '')
}

function problemsOf(c: Chapter, e: Entry): Place[] {
  const i = c.list ? listOf(c.list).indexOf(e) : -1
  return props.problems.filter((p) => p.path.startsWith(`${c.list ?? ''}[${i}]`))
}

function open(c: Chapter): number {
  if (!c.list) return props.problems.filter((p) => /^(tag|name|drawing|fluid|display)/.test(p.path)).length
  return entriesOf(c).reduce((sum, e) => sum + problemsOf(c, e).length, 0)
}

function wrong(places: Place[]): Record<string, string> {
  return Object.fromEntries(places.map((p) => [p.path.replace(/^\w+(\[\d+])?\.?/, '').split(/[.[]/)[0] ?? '', p.message]))
}

function set(e: Entry, path: string, key: string, value: unknown) {
  if (value === undefined) Reflect.deleteProperty(e, key)
  else e[key] = value
  confirm(`${path}.${key}`)
}

function confirm(path: string) {
  unconfirmed.value = unconfirmed.value.filter((p) => p !== path && !p.startsWith(`${path}.`))
}

function add(type?: string) {
  const c = here.value
  if (type) {
    const made = addPart(unit.value, type)
    unconfirmed.value = [...unconfirmed.value, ...made.defaults]
    return
  }
  if (!c.list) return
  const list = listOf(c.list)
  const n = list.length + 1
  const line = unit.value.lines[0]?.id ?? ''
  const made: Record<string, Entry> = {
    line: { id: `L${n}`, ratingBar: 250, volumeL: 1 },
    testPoint: { id: `G${n}`, line, rangeBar: 250, class: 1, reads: 'bar' },
    target: { setting: '', pressureBar: 100 },
    work: { id: `W${n}`, name: `work ${n}`, line, pressureBar: 100, flowLpm: 10 },
  }
  list.push({ ...made[c.kind ?? ''] })
}

function remove(e: Entry) {
  const c = here.value
  if (!c.list) return
  const list = listOf(c.list)
  list.splice(list.indexOf(e), 1)
  confirm(`${c.list}.${nameOf(e)}`)
}

function rename(e: Entry, to: string) {
  e.id = to
}

watch(
  () => props.chosen,
  (id) => {
    const at = CHAPTERS.findIndex((c) => entriesOf(c).some((e) => nameOf(e) === id))
    if (at >= 0) chapter.value = at
    void nextTick(() => document.getElementById(`entry-${id}`)?.scrollIntoView({ block: 'center' }))
  },
  { immediate: true },
)
</script>

<template>
  <div v-if="schema" class="parts">
    <ChapterList
      v-model="chapter"
      :chapters="CHAPTERS.map((c) => ({ title: c.title, missing: open(c), count: c.list ? entriesOf(c).length : undefined }))"
    />
    <section class="entries">
      <article v-if="!here.list" class="card">
        <h2>{{ say('sheet.partsEditor.unit') }}</h2>
        <div class="row">
          <label for="unit-name">{{ say('sheet.partsEditor.name') }}</label><InputText id="unit-name" v-model="unit.name" class="wide" />
        </div>
        <h2>{{ say('sheet.partsEditor.drawing') }}</h2>
        <EntryForm
          :unit="unit"
          :entry="(unit.drawing ??= {}) as Entry"
          :fields="fieldsOf(schema, 'drawing')"
          path="drawing"
          :unconfirmed="unconfirmed"
          :wrong="{}"
          @change="(k, v) => set(unit.drawing as Entry, 'drawing', k, v)"
          @confirm="confirm"
        />
        <h2>{{ say('sheet.partsEditor.oil-and-tank') }}</h2>
        <EntryForm
          :unit="unit"
          :entry="unit.fluid as Entry"
          :fields="fieldsOf(schema, 'fluid')"
          path="fluid"
          :unconfirmed="unconfirmed"
          :wrong="wrong(problems.filter((p) => p.path.startsWith('fluid')))"
          @change="(k, v) => set(unit.fluid as Entry, 'fluid', k, v)"
          @confirm="confirm"
        />
      </article>
      <article
        v-for="(e, i) in entriesOf(here)"
        :id="`entry-${nameOf(e)}`"
        :key="i"
        class="card"
        :class="{ pointed: nameOf(e) === chosen }"
      >
        <div class="row head">
          <template v-if="here.kind !== 'target'">
            <label :for="`id-${i}`">{{ String(e.type ?? here.kind ?? '').replaceAll('-', ' ') }}</label>
            <InputText
              :id="`id-${i}`"
              class="id"
              :model-value="String(e.id)"
              @change="rename(e, ($event.target as HTMLInputElement).value)"
            />
          </template>
          <b v-else>{{ e.setting || say('sheet.partsEditor.new-target') }}</b>
          <span class="gap"></span>
          <Button :label="say('sheet.partsEditor.take-out')" severity="secondary" outlined @click="remove(e)" />
        </div>
        <p v-for="p in problemsOf(here, e)" :key="p.path + p.message" class="why">▲ {{ p.message }}</p>
        <EntryForm
          :unit="unit"
          :entry="e"
          :fields="fieldsOf(schema, here.kind ?? String(e.type))"
          :path="`${here.list}.${nameOf(e)}`"
          :unconfirmed="unconfirmed"
          :wrong="wrong(problemsOf(here, e))"
          @change="(k, v) => set(e, `${here.list}.${nameOf(e)}`, k, v)"
          @confirm="confirm"
        />
      </article>
      <p v-if="here.list && !entriesOf(here).length" class="quiet">{{ say('sheet.partsEditor.nothing-here-yet') }}</p>
      <div class="add">
        <template v-if="here.types">
          <Button
            v-for="t in here.types"
            :key="t"
            :label="say('sheet.partsEditor.add', t.replaceAll('-', ' '))"
            severity="secondary"
            outlined
            @click="add(t)"
          />
        </template>
        <Button
          v-else-if="here.list"
          :label="say('sheet.partsEditor.add-to', here.title.toLowerCase())"
          severity="secondary"
          outlined
          @click="add()"
        />
      </div>
    </section>
  </div>
</template>

<style scoped>
.parts {
  display: grid;
  grid-template-columns: 240px minmax(0, 1fr);
  gap: 14px;
}
.entries {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 12px;
  align-content: start;
}
.row {
  display: flex;
  gap: 10px;
  align-items: center;
}
.head label {
  font-weight: 700;
}
.id {
  width: 110px;
}
.wide {
  flex: 1;
}
.p-inputtext {
  font-weight: 600;
}
.add {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
.why {
  color: var(--stop);
}
.pointed {
  border-color: var(--gold);
  box-shadow: 0 0 0 2px var(--gold);
}
@media (max-width: 900px) {
  .parts {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
