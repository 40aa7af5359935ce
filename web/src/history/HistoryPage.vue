<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import Button from 'primevue/button'
import { computed, ref } from 'vue'
import { asRefused, call, type Refused } from '../api/client'
import { useDisplay } from '../display/display'
import { settingName } from '../display/names'
import Unusable from '../display/Unusable.vue'
import Problems from '../display/Problems.vue'
import { day } from '../display/time'
import { useTold } from '../display/told'
import { outOf } from '../display/units'
import Verdict from '../display/Verdict.vue'
import { say } from '../words'
import { driftOf, efficiencies, trendOf, type Commissioning, type History } from './history'
import OlderRecordForm from './OlderRecordForm.vue'
import SheetsBetween from './SheetsBetween.vue'
import SideBySide from './SideBySide.vue'
import SisterTable from './SisterTable.vue'
import TrendChart from './TrendChart.vue'

/** A machine over the years: all commissionings side by side, what creeps, what wears, what changed. */
const props = defineProps<{ tag: string }>()
const display = useDisplay()
const queries = useQueryClient()
const told = useTold()
const key = computed(() => ['history', props.tag, display.pressure])
const { data: history, error } = useQuery({
  queryKey: key,
  queryFn: () => call<History>('GET', `/api/units/${encodeURIComponent(props.tag)}/history?${display.query}`),
  staleTime: 0,
})
const adding = ref(false)
const refused = ref<Refused | null>(null)
const bar = (value: number) => outOf('bar', value, display.pressure)

function kept(now: History) {
  adding.value = false
  queries.setQueryData(key.value, now)
  void queries.invalidateQueries({ queryKey: ['units'] })
}

async function set(older: number, method: string, ending: string) {
  refused.value = null
  try {
    const path = `/api/units/${encodeURIComponent(props.tag)}/older-records/${older}${ending}`
    kept(await call<History>(method, `${path}?${display.query}`))
    return true
  } catch (e) {
    refused.value = asRefused(e)
    return false
  }
}

async function takeAway(c: Commissioning) {
  const older = c.older
  if (older === null || older === undefined || !(await set(older, 'DELETE', ''))) return
  told(say('history.taken-away', day(c.on)), () => void set(older, 'POST', '/bring-back'))
}

const written = computed(() => (history.value?.commissionings ?? []).filter((c) => c.older !== null || c.remark || c.hours))
</script>

<template>
  <Problems :refused="error ? asRefused(error) : refused" />
  <div v-if="history" class="history">
    <header>
      <h1>{{ say('history.title', `${history.tag} · ${history.unitName}`) }}</h1>
      <span class="gap"></span>
      <Button v-if="!adding" class="no-print" :label="say('history.add')" severity="secondary" outlined @click="adding = true" />
    </header>
    <Unusable :all="history.unreadable" :title="say('display.changed.title')" />
    <OlderRecordForm v-if="adding" :history="history" @kept="kept" @left="adding = false" />
    <p v-if="!history.commissionings.length" class="card">{{ say('history.none') }}</p>
    <template v-else>
      <section class="card">
        <h2>{{ say('history.side-by-side') }}</h2>
        <SideBySide :history="history" />
        <p v-if="history.more" class="quiet small">{{ say('history.more', history.commissionings.length) }}</p>
      </section>
      <h2>{{ say('history.trends') }}</h2>
      <div class="trends">
        <section v-for="s in history.settings.filter((x) => x.stood.length)" :key="s.setting" class="card">
          <h3>
            {{ settingName(s.setting) }}
            <span v-if="s.drift" class="chip" :class="driftOf(s.drift).chip">{{ driftOf(s.drift).said }}</span>
          </h3>
          <p>{{ s.said }}</p>
          <TrendChart :trend="trendOf(s)" :axis="display.pressure" :title="settingName(s.setting)" :shown="bar" />
        </section>
        <section v-for="p in history.pumps.filter((x) => x.measured.length)" :key="p.pump" class="card">
          <h3>{{ say('history.pump', p.pump) }} <Verdict v-if="p.grade" :grade="p.grade" /></h3>
          <p>{{ p.said.join(' ') }}</p>
          <TrendChart
            :trend="efficiencies(p)"
            :axis="say('history.efficiency')"
            :title="say('history.pump', p.pump)"
            :shown="(v: number) => v"
            :limit="p.wornBelow"
            :measured="'history.measured'"
          />
        </section>
      </div>
      <section v-if="written.length" class="card">
        <h2>{{ say('history.written') }}</h2>
        <div v-for="c in written" :key="c.key" class="written">
          <b>{{ day(c.on) }}</b>
          <span v-if="c.hours !== null && c.hours !== undefined" class="chip plain">{{ say('history.hours', c.hours) }}</span>
          <span>{{ c.remark }}</span>
          <span class="gap"></span>
          <Button
            v-if="c.older !== null && c.older !== undefined"
            class="no-print"
            :label="say('history.take-away')"
            severity="secondary"
            text
            @click="takeAway(c)"
          />
        </div>
      </section>
    </template>
    <section class="card">
      <h2>{{ say('history.sister') }}</h2>
      <SisterTable :history="history" />
    </section>
    <section class="card">
      <h2>{{ say('history.sheets') }}</h2>
      <SheetsBetween :tag="tag" />
    </section>
  </div>
</template>

<style scoped>
.history {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 12px;
}
header {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  align-items: center;
}
.trends {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(100%, 480px), 1fr));
  gap: 12px;
}
.trends .card {
  display: grid;
  min-width: 0;
  grid-template-columns: minmax(0, 1fr);
  grid-template-rows: auto 1fr auto;
  gap: 8px;
}
h3 {
  display: flex;
  gap: 10px;
  align-items: center;
  margin: 0;
}
.written {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 12px;
  align-items: center;
  min-height: 44px;
  border-top: 1px solid var(--rule);
}
</style>
