<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import Button from 'primevue/button'
import { computed } from 'vue'
import { call, type Schema } from '../api/client'
import { useDisplay } from '../display/display'
import Unusable from '../display/Unusable.vue'
import Staff from '../staff/Staff.vue'
import { say } from '../words'
import { date, day } from '../display/time'
import { isDue, type UnitSummary } from './useUnits'

/** One unit of the workshop: its small staff, its stage, what is open. */
const props = defineProps<{ unit: UnitSummary }>()
const emit = defineEmits<{ more: [event: Event] }>()
const display = useDisplay()

/** Where the newest open run stopped. */
const newest = computed(() => props.unit.openRuns.find((r) => !r.damaged)?.id)
const { data: place } = useQuery({
  queryKey: computed(() => ['run-place', newest.value, display.pressure]),
  queryFn: () => call<Schema['RunPlace']>('GET', `/api/runs/${newest.value}/place?${display.query}`),
  enabled: computed(() => newest.value !== undefined),
})

function stage(u: UnitSummary): string {
  const c = u.commissioned
  if (!c) {
    const none = say('units.unitsPage.not-commissioned-here-yet')
    return u.olderRecord ? say('units.unitCard.older-record', none, day(u.olderRecord)) : none
  }
  return say('units.unitsPage.commissioned-by', c.technician, date(c.startedAt))
}

function openRun(r: Schema['RunSummary']): string {
  return say(
    'units.unitsPage.open-since',
    r.practice ? say('units.unitsPage.practice') : say('units.unitsPage.run'),
    r.id,
    date(r.startedAt),
    r.technician,
  )
}
</script>

<template>
  <article class="card">
    <div class="pic"><Staff v-for="s in unit.staffs.slice(0, 1)" :key="s.line" :staff="s" small /></div>
    <div class="text">
      <h2>
        <RouterLink :to="{ name: 'sheet', params: { tag: unit.tag } }">{{ unit.tag }}</RouterLink>
      </h2>
      <p class="name">{{ unit.name }}</p>
      <p class="quiet small">
        {{ say('units.unitsPage.drawing-sheet-revision', unit.drawing || say('units.unitsPage.not-given'), unit.revision) }}
      </p>
      <p class="small">
        {{ stage(unit) }}
        <span v-if="unit.commissioned?.outcome === 'passed-with-deviations'" class="chip cannot-tell">{{
          say('units.unitsPage.with-deviations')
        }}</span>
      </p>
      <p v-if="unit.nextCheck" class="small">
        <span :class="isDue(unit.nextCheck) ? 'chip fail' : ''">{{
          say(isDue(unit.nextCheck) ? 'units.unitCard.check-was-due' : 'units.unitCard.next-check', unit.nextCheck)
        }}</span>
      </p>
      <p v-if="unit.due.length" class="small">
        <RouterLink :to="{ name: 'upkeep', params: { tag: unit.tag } }" class="chip fail">{{
          say('units.unitCard.due', unit.due.length)
        }}</RouterLink>
        {{ unit.due.join(', ') }}
      </p>
      <p v-for="r in unit.openRuns.filter((x) => !x.damaged)" :key="r.id" class="small">
        <RouterLink :to="{ name: 'run', params: { tag: unit.tag, id: r.id } }">{{ openRun(r) }}</RouterLink>
        <span v-if="place && r.id === newest" class="place">{{
          say(place.paused ? 'units.unitCard.paused-at' : 'units.unitCard.stopped-at', place.step, place.of, place.text)
        }}</span>
      </p>
      <p v-if="unit.openRunCount > unit.openRuns.length" class="small">
        <RouterLink :to="{ name: 'start', params: { tag: unit.tag } }">{{
          say('units.unitsPage.more-open', unit.openRunCount - unit.openRuns.length)
        }}</RouterLink>
      </p>
      <Unusable :all="unit.unreadable" />
      <p v-if="unit.readable" class="small">
        <span v-if="unit.missing" class="chip cannot-tell">{{ say('units.unitsPage.missing-on-its-sheet', unit.missing) }}</span>
        <span v-else-if="unit.findings" class="chip fail"
          >▲ {{ say(unit.findings === 1 ? 'units.unitCard.one-finding' : 'units.unitCard.findings', unit.findings) }}</span
        >
        <span v-else class="chip pass">{{ say('units.unitsPage.relations-hold') }}</span>
      </p>
      <div class="go">
        <RouterLink :to="{ name: 'sheet', params: { tag: unit.tag } }"
          ><Button :label="say('units.unitsPage.sheet')" outlined tabindex="-1"
        /></RouterLink>
        <Button
          :label="say('units.unitsPage.more')"
          :aria-label="say('units.unitsPage.more-for', unit.tag)"
          severity="secondary"
          outlined
          aria-haspopup="true"
          @click="emit('more', $event)"
        />
        <RouterLink v-if="unit.readable && !unit.missing" :to="{ name: 'start', params: { tag: unit.tag } }"
          ><Button :label="unit.openRuns.length ? say('units.unitsPage.go-on-or-start') : say('units.unitsPage.start-a-run')" tabindex="-1"
        /></RouterLink>
      </div>
    </div>
  </article>
</template>

<style scoped>
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
.name {
  font-size: 18px;
  font-weight: 600;
  overflow-wrap: anywhere;
}
.place {
  display: block;
}
.go {
  display: flex;
  gap: 8px;
  margin-top: auto;
  align-items: center;
}
.go :deep(.p-button) {
  white-space: nowrap;
  padding: 0 12px;
}
</style>
