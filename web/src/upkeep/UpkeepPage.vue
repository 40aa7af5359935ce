<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import Button from 'primevue/button'
import Column from 'primevue/column'
import DataTable from 'primevue/datatable'
import InputText from 'primevue/inputtext'
import { computed, ref } from 'vue'
import { asRefused, call, type Refused } from '../api/client'
import { useDisplay } from '../display/display'
import Unusable from '../display/Unusable.vue'
import Problems from '../display/Problems.vue'
import { day, today } from '../display/time'
import { useTold } from '../display/told'
import { say } from '../words'
import DueList from './DueList.vue'
import OilYears from './OilYears.vue'
import ScheduleForm from './ScheduleForm.vue'
import { COLOURS, type Upkeep, type Written } from './upkeep'
import WriteDown from './WriteDown.vue'
import { userName } from '../display/userName'

/** What keeps a machine as it was commissioned: what is due, what was done, its oil and its filters. */
const props = defineProps<{ tag: string }>()
const display = useDisplay()
const queries = useQueryClient()
const told = useTold()
const path = computed(() => `/api/units/${encodeURIComponent(props.tag)}/upkeep`)
const key = computed(() => ['upkeep', props.tag, display.pressure])
const { data: upkeep, error } = useQuery({
  queryKey: key,
  queryFn: () => call<Upkeep>('GET', `${path.value}?${display.query}`),
  staleTime: 0,
})
const by = ref(userName())
const on = ref(today())
const refused = ref<Refused | null>(null)

async function ask(method: string, ending: string, body?: unknown): Promise<boolean> {
  refused.value = null
  try {
    queries.setQueryData(
      key.value,
      await call<Upkeep>(method, `${path.value}${ending}?${display.query}`, body, method === 'POST' && !!body),
    )
    void queries.invalidateQueries({ queryKey: ['units'] })
    return true
  } catch (e) {
    refused.value = asRefused(e)
    return false
  }
}

/** Under the day and the name that stand at the top. */
const write = (entry: Written) => ask('POST', '', { ...entry, by: by.value, on: on.value })

async function takeAway(id: number, said: string) {
  if (await ask('DELETE', `/${id}`)) told(say('upkeep.taken-away', said), () => void ask('POST', `/${id}/bring-back`))
}
</script>

<template>
  <Problems :refused="error ? asRefused(error) : null" />
  <div v-if="upkeep" class="page">
    <header>
      <h1>{{ say('upkeep.title', `${upkeep.tag} · ${upkeep.unitName}`) }}</h1>
      <label class="no-print">{{ say('upkeep.who') }} <InputText v-model="by" autocomplete="off" /></label>
      <label class="no-print">{{ say('upkeep.day') }} <InputText v-model="on" type="date" /></label>
      <span class="gap"></span>
      <a v-if="upkeep.school" class="no-print" :href="`${path}.ics`" download>{{ say('upkeep.calendar') }}</a>
    </header>
    <Problems :refused="refused" />
    <Unusable :all="upkeep.unreadable" :title="say('display.changed.title')" />
    <section v-if="!upkeep.school" class="card">
      <p>{{ say('upkeep.begin.what') }}</p>
      <ScheduleForm :upkeep="upkeep" :write="write" />
    </section>
    <div v-else class="two">
      <section class="card">
        <h2>{{ say('upkeep.due') }}</h2>
        <DueList :upkeep="upkeep" :write="write" :on="on" />
      </section>
      <section class="card no-print">
        <h2>{{ say('upkeep.write') }}</h2>
        <WriteDown :upkeep="upkeep" :write="write" />
        <p class="caution small">▲ {{ say('upkeep.caution') }}</p>
      </section>
    </div>
    <section class="card">
      <h2>{{ say('upkeep.oil') }}</h2>
      <OilYears :upkeep="upkeep" />
    </section>
    <section v-if="upkeep.indicators.length" class="card">
      <h2>{{ say('upkeep.indicators') }}</h2>
      <p v-for="i in [...upkeep.indicators].reverse()" :key="i.id" class="line">
        <b>{{ day(i.on) }}</b> {{ i.filter }}
        <span class="chip" :class="COLOURS[i.state]?.chip"
          >{{ COLOURS[i.state]?.mark }} {{ say(COLOURS[i.state]?.word ?? 'upkeep.red') }}</span
        >
        {{ display.temperature(i.oilC) }}
        <span v-if="i.cold && i.state !== 'green'" class="quiet small">{{ say('upkeep.cold') }}</span>
      </p>
    </section>
    <section v-if="upkeep.school" class="card no-print">
      <h2>{{ say('upkeep.schedule') }}</h2>
      <ScheduleForm :upkeep="upkeep" :write="write" />
    </section>
    <details v-if="upkeep.entries.length" class="card">
      <summary>{{ say('upkeep.entries', upkeep.entries.length) }}</summary>
      <DataTable size="small" :value="upkeep.entries" data-key="id" scrollable scroll-height="420px">
        <Column>
          <template #body="{ data: e }"
            ><b>{{ day(e.on) }}</b></template
          >
        </Column>
        <Column field="said" />
        <Column field="by" />
        <Column>
          <template #body="{ data: e }">
            <Button :label="say('upkeep.take-away')" severity="secondary" text @click="takeAway(e.id, e.said)" />
          </template>
        </Column>
      </DataTable>
      <p v-if="upkeep.more" class="quiet small">{{ say('upkeep.more') }}</p>
    </details>
  </div>
</template>

<style scoped>
.page {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 12px;
}
header {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 14px;
  align-items: center;
}
h1 {
  flex: 1 0 100%;
}
header label {
  display: flex;
  gap: 8px;
  align-items: center;
}
.two {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(100%, 480px), 1fr));
  gap: 12px;
  align-items: start;
}
.caution {
  border-left: 7px solid var(--gold);
  padding-left: 10px;
}
.line {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 12px;
  align-items: center;
  min-height: 40px;
}
</style>
