<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import Button from 'primevue/button'
import Menu from 'primevue/menu'
import { computed, ref } from 'vue'
import { useRouter } from 'vue-router'
import { asRefused, call, type Refused, type Schema } from '../api/client'
import Problems from '../display/Problems.vue'
import Staff from '../staff/Staff.vue'
import { emptyUnit } from '../sheet/newParts'
import { copyOf, type UnitFile } from './unitFile'
import { useUnits, type UnitSummary } from './useUnits'

const { data: units, error, isPending } = useUnits()
const queries = useQueryClient()
const refused = ref<Refused | null>(null)
const added = ref('')
const fileInput = ref<HTMLInputElement>()
const loadError = computed(() => (error.value ? asRefused(error.value) : null))

async function importFile(event: Event) {
  const input = event.target as HTMLInputElement
  const file = input.files?.[0]
  if (!file) return
  refused.value = null
  added.value = ''
  try {
    const unit = await call<{ tag: string }>('POST', '/api/units', await file.text(), true)
    added.value = `${unit.tag} is in.`
    await queries.invalidateQueries({ queryKey: ['units'] })
  } catch (e) {
    refused.value = asRefused(e)
  } finally {
    input.value = ''
  }
}

const router = useRouter()
const myName = () => localStorage.getItem('name') ?? ''
const making = ref<{ from: string; tag: string; name: string }>()

/** A new unit begins with a pump line; a copy with everything of the other but its tag, name and runs. */
async function make() {
  const m = making.value
  if (!m) return
  try {
    const like = m.from ? (await call<Schema['UnitDocument']>('GET', `/api/units/${m.from}`)).document : undefined
    const document = like ? { ...(copyOf(like) as UnitFile), tag: m.tag, name: m.name } : emptyUnit(m.tag, m.name)
    await call('POST', `/api/units/${encodeURIComponent(m.tag)}/revisions`, { base: 0, document, unconfirmed: [], by: myName() }, true)
    await queries.invalidateQueries({ queryKey: ['units'] })
    await router.push({ name: 'sheet', params: { tag: m.tag } })
  } catch (e) {
    refused.value = asRefused(e)
  }
}

const { data: removed } = useQuery({ queryKey: ['removed-units'], queryFn: () => call<Schema['Removed'][]>('GET', '/api/removed-units') })

const menu = ref<InstanceType<typeof Menu>>()
const chosen = ref<UnitSummary>()
const ACTIONS = [
  { label: 'Copy', command: () => (making.value = { from: chosen.value?.tag ?? '', tag: '', name: chosen.value?.name ?? '' }) },
  {
    label: 'Remove',
    command: () =>
      void put(
        'DELETE',
        `/api/units/${encodeURIComponent(chosen.value?.tag ?? '')}?by=${encodeURIComponent(myName())}`,
        `${chosen.value?.tag} is removed; below it can be brought back.`,
      ),
  },
]

function more(event: Event, u: UnitSummary) {
  chosen.value = u
  menu.value?.toggle(event)
}

/** Nothing of a removed unit is lost; so no question is asked, and the way back is shown. */
async function put(method: string, path: string, done = '') {
  refused.value = null
  added.value = ''
  try {
    queries.setQueryData(['removed-units'], await call<Schema['Removed'][]>(method, path))
    await queries.invalidateQueries({ queryKey: ['units'] })
    added.value = done
  } catch (e) {
    refused.value = asRefused(e)
  }
}

function stage(u: UnitSummary): string {
  const c = u.commissioned
  if (!c) return 'Not commissioned here yet'
  return `Commissioned by ${c.technician}, ${new Date(c.startedAt).toLocaleDateString('en-GB')}`
}

function openRun(r: Schema['RunSummary']): string {
  return `${r.practice ? 'Practice' : 'Run'} ${r.id} open since ${new Date(r.startedAt).toLocaleDateString('en-GB')}, ${r.technician}`
}
</script>

<template>
  <div class="head">
    <h1>Units</h1>
    <span class="quiet">{{ units?.length ?? 0 }} in the workshop</span>
    <span class="gap"></span>
    <input ref="fileInput" type="file" accept=".json,application/json" hidden @change="importFile" />
    <Button label="New unit" severity="secondary" outlined @click="making = { from: '', tag: '', name: '' }" />
    <Button label="Import a unit file" severity="secondary" outlined @click="fileInput?.click()" />
  </div>
  <form v-if="making" class="card making" @submit.prevent="make">
    <h2>{{ making.from ? `A unit like ${making.from}` : 'A new unit' }}</h2>
    <label>Tag <input v-model="making.tag" class="p-inputtext" required maxlength="32" /></label>
    <label>Name <input v-model="making.name" class="p-inputtext wide" required maxlength="200" /></label>
    <Button type="submit" label="Begin its sheet" />
    <Button label="Leave it" severity="secondary" outlined @click="making = undefined" />
  </form>
  <Problems :refused="refused" />
  <Problems :refused="loadError" />
  <p v-if="added" class="chip pass" role="status">{{ added }}</p>
  <p v-if="isPending" class="quiet">Reading the units …</p>
  <p v-else-if="units && !units.length" class="card">No unit yet. Import a unit file, the open JSON format described in docs/api.md.</p>
  <Menu ref="menu" :model="ACTIONS" popup />
  <div class="grid">
    <article v-for="u in units" :key="u.tag" class="card">
      <div class="pic"><Staff v-for="s in u.staffs.slice(0, 1)" :key="s.line" :staff="s" small /></div>
      <div class="text">
        <h2>
          <RouterLink :to="{ name: 'sheet', params: { tag: u.tag } }">{{ u.tag }}</RouterLink>
        </h2>
        <p class="name">{{ u.name }}</p>
        <p class="quiet small">Drawing {{ u.drawing || 'not given' }}, sheet revision {{ u.revision }}</p>
        <p class="small">
          {{ stage(u) }} <span v-if="u.commissioned?.outcome === 'passed-with-deviations'" class="chip cannot-tell">◆ with deviations</span>
        </p>
        <p v-for="r in u.openRuns" :key="r.id" class="small">
          <RouterLink :to="{ name: 'run', params: { tag: u.tag, id: r.id } }">{{ openRun(r) }}</RouterLink>
        </p>
        <p v-if="u.openRunCount > u.openRuns.length" class="small">
          <RouterLink :to="{ name: 'start', params: { tag: u.tag } }">{{ u.openRunCount - u.openRuns.length }} more open</RouterLink>
        </p>
        <p class="small">
          <span v-if="u.missing" class="chip cannot-tell">◆ {{ u.missing }} missing on its sheet</span>
          <span v-else-if="u.findings" class="chip fail">▲ {{ u.findings }} {{ u.findings === 1 ? 'finding' : 'findings' }}</span>
          <span v-else class="chip pass">● relations hold</span>
        </p>
        <div class="go">
          <RouterLink :to="{ name: 'sheet', params: { tag: u.tag } }"><Button label="Sheet" outlined tabindex="-1" /></RouterLink>
          <Button
            label="More"
            :aria-label="`More for ${u.tag}`"
            severity="secondary"
            outlined
            aria-haspopup="true"
            @click="more($event, u)"
          />
          <RouterLink v-if="!u.missing" :to="{ name: 'start', params: { tag: u.tag } }"
            ><Button :label="u.openRuns.length ? 'Go on or start' : 'Start a run'" tabindex="-1"
          /></RouterLink>
        </div>
      </div>
    </article>
  </div>
  <section v-if="removed?.length" class="card removed">
    <h2>Removed</h2>
    <p v-for="r in removed" :key="r.tag">
      <span
        ><b>{{ r.tag }}</b> {{ r.name }}, {{ new Date(r.at).toLocaleDateString('en-GB') }}{{ r.by && `, ${r.by}` }}</span
      >
      <Button
        label="Bring back"
        :aria-label="`Bring back ${r.tag}`"
        severity="secondary"
        outlined
        @click="put('POST', `/api/removed-units/${encodeURIComponent(r.tag)}/bring-back`, `${r.tag} is back.`)"
      />
    </p>
  </section>
</template>

<style scoped>
.head {
  display: flex;
  align-items: center;
  gap: 14px;
  margin: 6px 0 14px;
}
.making {
  display: flex;
  flex-wrap: wrap;
  gap: 10px 16px;
  align-items: center;
  margin-bottom: 12px;
}
.making label {
  display: inline-flex;
  gap: 8px;
  align-items: center;
}
.wide {
  width: 320px;
}
.grid {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(400px, 1fr));
  gap: 14px;
  margin-top: 14px;
}
article {
  display: flex;
  gap: 12px;
  padding: 16px;
}
.pic {
  flex: 0 0 96px;
}
.text {
  display: flex;
  flex-direction: column;
  gap: 6px;
  min-width: 0;
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
.name {
  font-size: 18px;
  font-weight: 600;
  overflow-wrap: anywhere;
}
.go {
  display: flex;
  gap: 8px;
  margin-top: auto;
  align-items: center;
}
.removed :deep(.p-button) {
  flex: none;
}
.go :deep(.p-button) {
  white-space: nowrap;
  padding: 0 12px;
}
</style>
