<script setup lang="ts">
import { say } from '../words'
import { date } from '../display/time'
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import Menu from 'primevue/menu'
import { computed, onBeforeUnmount, onMounted, ref } from 'vue'
import { useRouter } from 'vue-router'
import { asRefused, call, type Refused, type Schema } from '../api/client'
import Unusable from '../display/Unusable.vue'
import FileDrop from '../display/FileDrop.vue'
import Problems from '../display/Problems.vue'
import { useTold } from '../display/told'
import UnitCard from './UnitCard.vue'
import TourOffer from '../tour/TourOffer.vue'
import { useTour } from '../tour/useTour'
import { LIKE } from './unitFile'
import { isDue, useUnits, type UnitSummary } from './useUnits'
import { userName } from '../display/userName'

const { data: units, error, isPending } = useUnits()
const queries = useQueryClient()
const refused = ref<Refused | null>(null)
const told = useTold()
const tour = useTour()
const sought = ref('')
/** By anything that its card says: tag, name, drawing, who ran it, where it stands. */
const shown = computed(() => {
  const words = sought.value.toLowerCase().split(/\s+/).filter(Boolean)
  return (units.value ?? []).filter((u) => words.every((w) => said(u).includes(w)))
})

function said(u: UnitSummary): string {
  const runs = u.openRuns.map((r) =>
    [r.practice ? say('units.unitsPage.practice') : say('units.unitsPage.run'), r.id, r.technician, date(r.startedAt)].join(' '),
  )
  const stage = !u.readable
    ? u.unreadable.join(' ')
    : u.missing
      ? say('units.unitsPage.missing-on-its-sheet', u.missing)
      : u.findings
        ? say('units.unitCard.findings', u.findings)
        : say('units.unitsPage.relations-hold')
  const commissioned = u.commissioned
    ? say('units.unitsPage.commissioned-by', u.commissioned.technician, date(u.commissioned.startedAt))
    : say('units.unitsPage.not-commissioned-here-yet')
  const check = u.nextCheck ? say(isDue(u.nextCheck) ? 'units.unitCard.check-was-due' : 'units.unitCard.next-check', u.nextCheck) : ''
  const due = u.due.length ? [say('units.unitCard.due', u.due.length), ...u.due] : []
  return [u.tag, u.name, u.drawing, stage, commissioned, check, ...due, ...runs].join(' ').toLowerCase()
}
const loadError = computed(() => (error.value ? asRefused(error.value) : null))

async function importFile(file: File) {
  refused.value = null
  try {
    const unit = await call<{ tag: string }>('POST', '/api/units', await file.text(), true)
    told(say('units.unitsPage.is-in', unit.tag))
    // A first list that is still on its way was asked for before this unit was in.
    await queries.cancelQueries({ queryKey: ['units'] })
    await queries.invalidateQueries({ queryKey: ['units'] })
  } catch (e) {
    refused.value = asRefused(e)
  }
}

const router = useRouter()
const { data: removed } = useQuery({ queryKey: ['removed-units'], queryFn: () => call<Schema['Removed'][]>('GET', '/api/removed-units') })

const { data: changed } = useQuery({ queryKey: ['changed-data'], queryFn: () => call<string[]>('GET', '/api/changed-data') })

const menu = ref<InstanceType<typeof Menu>>()
const chosen = ref<UnitSummary>()
const ACTIONS = [
  {
    label: say('units.unitsPage.copy'),
    command: () => void router.push({ name: 'new', query: { by: LIKE + (chosen.value?.tag ?? '') } }),
  },
  {
    label: say('units.unitsPage.remove'),
    command: () => remove(chosen.value?.tag ?? ''),
  },
]

const finder = ref<{ $el: HTMLElement }>()

function onKey(event: KeyboardEvent) {
  if (event.key !== '/' || ['INPUT', 'TEXTAREA'].includes((event.target as HTMLElement).tagName)) return
  event.preventDefault()
  finder.value?.$el.focus()
}
onMounted(() => window.addEventListener('keydown', onKey))
onBeforeUnmount(() => window.removeEventListener('keydown', onKey))

/** Found, Enter opens it. */
function openOnly() {
  const [only] = shown.value
  if (only && shown.value.length === 1) void router.push({ name: 'sheet', params: { tag: only.tag } })
}

function remove(tag: string) {
  const path = `/api/units/${encodeURIComponent(tag)}?by=${encodeURIComponent(userName())}`
  void put('DELETE', path, say('units.unitsPage.is-removed-below-it', tag), () => bringBack(tag))
}

function bringBack(tag: string) {
  void put('POST', `/api/removed-units/${encodeURIComponent(tag)}/bring-back`, say('units.unitsPage.is-back', tag))
}

function more(event: Event, u: UnitSummary) {
  chosen.value = u
  menu.value?.toggle(event)
}

/** Nothing of a removed unit is lost; so no question is asked, and the way back is shown. */
async function put(method: string, path: string, done: string, undo?: () => void) {
  refused.value = null
  try {
    queries.setQueryData(['removed-units'], await call<Schema['Removed'][]>(method, path))
    await queries.invalidateQueries({ queryKey: ['units'] })
    told(done, undo)
  } catch (e) {
    refused.value = asRefused(e)
  }
}
</script>

<template>
  <div class="head">
    <h1>{{ say('units.unitsPage.units') }}</h1>
    <span class="quiet">{{ say('units.unitsPage.in-the-workshop', units?.length ?? 0) }}</span>
    <span class="gap"></span>
    <InputText
      v-if="units && units.length > 1"
      ref="finder"
      v-model="sought"
      type="search"
      class="find"
      autocomplete="off"
      :placeholder="say('units.unitsPage.find')"
      :aria-label="say('units.unitsPage.find')"
      @keydown.enter="openOnly"
    />
    <Button :label="say('units.unitsPage.new-unit')" severity="secondary" outlined @click="router.push({ name: 'new' })" />
    <FileDrop :label="say('units.unitsPage.import-a-unit-file')" accept=".json,application/json" @file="importFile" />
  </div>
  <Problems :refused="refused" />
  <Problems :refused="loadError" />
  <Unusable :all="changed" :title="say('display.changed.title')" />
  <TourOffer v-if="units && !tour.state.offered" />
  <p v-if="isPending" class="quiet">{{ say('units.unitsPage.reading-the-units') }}</p>
  <div v-else-if="units && !units.length" class="card none">
    <p>{{ say('units.unitsPage.no-unit-yet-import') }}</p>
    <Button :label="say('units.unitsPage.new-unit')" @click="router.push({ name: 'new' })" />
  </div>
  <div v-else-if="units && !shown.length" class="card none" role="status">
    <p>{{ say('units.unitsPage.none-like', sought) }}</p>
    <Button :label="say('units.unitsPage.show-all')" severity="secondary" outlined @click="sought = ''" />
  </div>
  <Menu ref="menu" :model="ACTIONS" popup />
  <div class="grid">
    <UnitCard v-for="u in shown" :key="u.tag" :unit="u" @more="(e) => more(e, u)" />
  </div>
  <section v-if="removed?.length" class="card removed">
    <h2>{{ say('units.unitsPage.removed') }}</h2>
    <p v-for="r in removed" :key="r.tag">
      <span
        ><b>{{ r.tag }}</b> {{ r.name }}, {{ date(r.at) }}{{ r.by && `, ${r.by}` }}</span
      >
      <Button
        :label="say('units.unitsPage.bring-back')"
        :aria-label="say('units.unitsPage.bring-back-2', r.tag)"
        severity="secondary"
        outlined
        @click="bringBack(r.tag)"
      />
    </p>
  </section>
</template>

<style scoped>
.head {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 14px;
  margin: 6px 0 14px;
}
.find {
  width: 260px;
}
.none {
  display: grid;
  gap: 12px;
  justify-items: start;
}
.grid {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(min(400px, 100%), 1fr));
  gap: 14px;
  margin-top: 14px;
}
.removed {
  margin-top: 14px;
}
.removed p {
  display: flex;
  gap: 12px;
  align-items: center;
  justify-content: space-between;
  min-height: 48px;
  border-top: 1px solid var(--rule);
}
.removed :deep(.p-button) {
  flex: none;
}
</style>
