<script setup lang="ts">
import { say } from '../words'
import { date } from '../display/time'
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import Button from 'primevue/button'
import Menu from 'primevue/menu'
import { computed, ref } from 'vue'
import { useRouter } from 'vue-router'
import { asRefused, call, type Refused, type Schema } from '../api/client'
import Problems from '../display/Problems.vue'
import UnitCard from './UnitCard.vue'
import { LIKE } from './unitFile'
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
const { data: removed } = useQuery({ queryKey: ['removed-units'], queryFn: () => call<Schema['Removed'][]>('GET', '/api/removed-units') })

const menu = ref<InstanceType<typeof Menu>>()
const chosen = ref<UnitSummary>()
const ACTIONS = [
  {
    label: say('units.unitsPage.copy'),
    command: () => void router.push({ name: 'new', query: { by: LIKE + (chosen.value?.tag ?? '') } }),
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
</script>

<template>
  <div class="head">
    <h1>{{ say('units.unitsPage.units') }}</h1>
    <span class="quiet">{{ say('units.unitsPage.in-the-workshop', units?.length ?? 0) }}</span>
    <span class="gap"></span>
    <input ref="fileInput" type="file" accept=".json,application/json" hidden @change="importFile" />
    <Button :label="say('units.unitsPage.new-unit')" severity="secondary" outlined @click="router.push({ name: 'new' })" />
    <Button :label="say('units.unitsPage.import-a-unit-file')" severity="secondary" outlined @click="fileInput?.click()" />
  </div>
  <Problems :refused="refused" />
  <Problems :refused="loadError" />
  <p v-if="added" class="chip pass" role="status">{{ added }}</p>
  <p v-if="isPending" class="quiet">{{ say('units.unitsPage.reading-the-units') }}</p>
  <p v-else-if="units && !units.length" class="card">{{ say('units.unitsPage.no-unit-yet-import') }}</p>
  <Menu ref="menu" :model="ACTIONS" popup />
  <div class="grid">
    <UnitCard v-for="u in units" :key="u.tag" :unit="u" @more="(e) => more(e, u)" />
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
.grid {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(400px, 1fr));
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
