<script setup lang="ts">
import { say } from '../words'
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
    added.value = say('units.unitsPage.is-in', unit.tag)
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
  {
    label: say('units.unitsPage.copy'),
    command: () => (making.value = { from: chosen.value?.tag ?? '', tag: '', name: chosen.value?.name ?? '' }),
  },
  {
    label: say('units.unitsPage.remove'),
    command: () =>
      void put(
        'DELETE',
        `/api/units/${encodeURIComponent(chosen.value?.tag ?? '')}?by=${encodeURIComponent(myName())}`,
        say('units.unitsPage.is-removed-below-it', chosen.value?.tag),
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
  if (!c) return say('units.unitsPage.not-commissioned-here-yet')
  return say('units.unitsPage.commissioned-by', c.technician, new Date(c.startedAt).toLocaleDateString('en-GB'))
}

function openRun(r: Schema['RunSummary']): string {
  return say(
    'units.unitsPage.open-since',
    r.practice ? say('units.unitsPage.practice') : say('units.unitsPage.run'),
    r.id,
    new Date(r.startedAt).toLocaleDateString('en-GB'),
    r.technician,
  )
}
</script>

<template>
  <div class="head">
    <h1>{{ say('units.unitsPage.units') }}</h1>
    <span class="quiet">{{ say('units.unitsPage.in-the-workshop', units?.length ?? 0) }}</span>
    <span class="gap"></span>
    <input ref="fileInput" type="file" accept=".json,application/json" hidden @change="importFile" />
    <Button :label="say('units.unitsPage.new-unit')" severity="secondary" outlined @click="making = { from: '', tag: '', name: '' }" />
    <Button :label="say('units.unitsPage.import-a-unit-file')" severity="secondary" outlined @click="fileInput?.click()" />
  </div>
  <form v-if="making" class="card making" @submit.prevent="make">
    <h2>{{ making.from ? say('units.unitsPage.a-unit-like', making.from) : say('units.unitsPage.a-new-unit') }}</h2>
    <label>{{ say('units.unitsPage.tag') }} <input v-model="making.tag" class="p-inputtext" required maxlength="32" /></label>
    <label>{{ say('units.unitsPage.name') }} <input v-model="making.name" class="p-inputtext wide" required maxlength="200" /></label>
    <Button type="submit" :label="say('units.unitsPage.begin-its-sheet')" />
    <Button :label="say('units.unitsPage.leave-it')" severity="secondary" outlined @click="making = undefined" />
  </form>
  <Problems :refused="refused" />
  <Problems :refused="loadError" />
  <p v-if="added" class="chip pass" role="status">{{ added }}</p>
  <p v-if="isPending" class="quiet">{{ say('units.unitsPage.reading-the-units') }}</p>
  <p v-else-if="units && !units.length" class="card">{{ say('units.unitsPage.no-unit-yet-import') }}</p>
  <Menu ref="menu" :model="ACTIONS" popup />
  <div class="grid">
    <article v-for="u in units" :key="u.tag" class="card">
      <div class="pic"><Staff v-for="s in u.staffs.slice(0, 1)" :key="s.line" :staff="s" small /></div>
      <div class="text">
        <h2>
          <RouterLink :to="{ name: 'sheet', params: { tag: u.tag } }">{{ u.tag }}</RouterLink>
        </h2>
        <p class="name">{{ u.name }}</p>
        <p class="quiet small">
          {{ say('units.unitsPage.drawing-sheet-revision', u.drawing || say('units.unitsPage.not-given'), u.revision) }}
        </p>
        <p class="small">
          {{ stage(u) }}
          <span v-if="u.commissioned?.outcome === 'passed-with-deviations'" class="chip cannot-tell">{{
            say('units.unitsPage.with-deviations')
          }}</span>
        </p>
        <p v-for="r in u.openRuns" :key="r.id" class="small">
          <RouterLink :to="{ name: 'run', params: { tag: u.tag, id: r.id } }">{{ openRun(r) }}</RouterLink>
        </p>
        <p v-if="u.openRunCount > u.openRuns.length" class="small">
          <RouterLink :to="{ name: 'start', params: { tag: u.tag } }">{{
            say('units.unitsPage.more-open', u.openRunCount - u.openRuns.length)
          }}</RouterLink>
        </p>
        <p class="small">
          <span v-if="u.missing" class="chip cannot-tell">{{ say('units.unitsPage.missing-on-its-sheet', u.missing) }}</span>
          <span v-else-if="u.findings" class="chip fail">▲ {{ u.findings }} {{ u.findings === 1 ? 'finding' : 'findings' }}</span>
          <span v-else class="chip pass">{{ say('units.unitsPage.relations-hold') }}</span>
        </p>
        <div class="go">
          <RouterLink :to="{ name: 'sheet', params: { tag: u.tag } }"
            ><Button :label="say('units.unitsPage.sheet')" outlined tabindex="-1"
          /></RouterLink>
          <Button
            :label="say('units.unitsPage.more')"
            :aria-label="say('units.unitsPage.more-for', u.tag)"
            severity="secondary"
            outlined
            aria-haspopup="true"
            @click="more($event, u)"
          />
          <RouterLink v-if="!u.missing" :to="{ name: 'start', params: { tag: u.tag } }"
            ><Button :label="u.openRuns.length ? say('units.unitsPage.go-on-or-start') : say('units.unitsPage.start-a-run')" tabindex="-1"
          /></RouterLink>
        </div>
      </div>
    </article>
  </div>
  <section v-if="removed?.length" class="card removed">
    <h2>{{ say('units.unitsPage.removed') }}</h2>
    <p v-for="r in removed" :key="r.tag">
      <span
        ><b>{{ r.tag }}</b> {{ r.name }}, {{ new Date(r.at).toLocaleDateString('en-GB') }}{{ r.by && `, ${r.by}` }}</span
      >
      <Button
        :label="say('units.unitsPage.bring-back')"
        :aria-label="say('units.unitsPage.bring-back-2', r.tag)"
        severity="secondary"
        outlined
        @click="put('POST', `/api/removed-units/${encodeURIComponent(r.tag)}/bring-back`, say('units.unitsPage.is-back', r.tag))"
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
