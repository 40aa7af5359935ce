<script setup lang="ts">
import Column from 'primevue/column'
import DataTable from 'primevue/datatable'
import { computed } from 'vue'
import { useDisplay } from '../display/display'
import { settingName } from '../display/names'
import { day } from '../display/time'
import { say } from '../words'
import { sourceOf, type Commissioning, type History, type SettingHistory } from './history'

/** All commissionings as columns, each setting as found and as left; a commissioning's own target where it was another. */
const props = defineProps<{ history: History }>()
const display = useDisplay()

interface Line {
  name: string
  asked: string
  cells: Record<string, { found: string; left: string; asked?: string; reason?: string }>
}

function bar(value?: number | null): string {
  return value === null || value === undefined ? say('history.not-read') : display.show(value)
}

function line(s: SettingHistory): Line {
  const asked = s.targetBar === null || s.targetBar === undefined
  return {
    name: settingName(s.setting),
    asked: asked ? say('history.no-longer') : say('history.plus-minus', display.show(s.targetBar ?? 0), display.show(s.toleranceBar ?? 0)),
    cells: Object.fromEntries(
      s.stood.map((at) => {
        const other = at.targetBar !== null && at.targetBar !== undefined && at.targetBar !== s.targetBar
        return [
          at.key,
          {
            found: bar(at.foundBar),
            left: bar(at.leftBar),
            asked: other ? say('history.was-asked', display.show(at.targetBar ?? 0), display.show(at.toleranceBar ?? 0)) : undefined,
            reason: at.reason ?? undefined,
          },
        ]
      }),
    ),
  }
}

const pumps = computed((): Line[] =>
  props.history.pumps
    .filter((p) => p.measured.length)
    .map((p) => ({
      name: say('history.efficiency-of', p.pump),
      asked: p.asNew.toFixed(2),
      cells: Object.fromEntries(
        p.measured.map((m) => [
          m.key,
          { found: '', left: say('history.plus-minus', m.volumetricEfficiency.toFixed(3), m.plusMinus.toFixed(3)) },
        ]),
      ),
    })),
)
const lines = computed(() => [...props.history.settings.filter((s) => s.stood.length).map(line), ...pumps.value])
const who = (c: Commissioning) => (c.witness ? say('history.by-and-witness', c.by, c.witness) : c.by)
</script>

<template>
  <DataTable size="small" :value="lines" data-key="name" scrollable show-gridlines>
    <Column :header="say('history.setting')" frozen>
      <template #body="{ data: l }"
        ><b>{{ l.name }}</b>
        <div class="quiet small">{{ l.asked }}</div></template
      >
    </Column>
    <Column v-for="c in history.commissionings" :key="c.key">
      <template #header>
        <div class="head">
          <RouterLink v-if="c.run" :to="{ name: 'record', params: { tag: history.tag, id: c.run } }">{{ day(c.on) }}</RouterLink>
          <b v-else>{{ day(c.on) }}</b>
          <div class="small">{{ who(c) }}</div>
          <div class="quiet small">
            {{ sourceOf(c, day) }}<template v-if="c.signed">, {{ say('history.signed') }}</template>
          </div>
        </div>
      </template>
      <template #body="{ data: l }">
        <template v-if="l.cells[c.key]">
          <template v-if="l.cells[c.key].found">
            <span class="quiet">{{ l.cells[c.key].found }}</span> →
          </template>
          <b>{{ l.cells[c.key].left }}</b>
          <div v-if="l.cells[c.key].asked" class="quiet small">{{ l.cells[c.key].asked }}</div>
          <div v-if="l.cells[c.key].reason" class="reason small">▲ {{ l.cells[c.key].reason }}</div>
        </template>
      </template>
    </Column>
  </DataTable>
</template>

<style scoped>
.head {
  min-width: 150px;
  font-weight: 400;
}
.reason {
  max-width: 260px;
}
:deep(td) {
  font-size: 15px;
  vertical-align: top;
}
</style>
