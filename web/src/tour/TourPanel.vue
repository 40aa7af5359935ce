<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import Button from 'primevue/button'
import ProgressBar from 'primevue/progressbar'
import StepList from 'primevue/steplist'
import Stepper from 'primevue/stepper'
import Step from 'primevue/step'
import { computed, onMounted, watch } from 'vue'
import { useRoute, useRouter, type RouteLocationRaw } from 'vue-router'
import { call } from '../api/client'
import { useDisplay } from '../display/display'
import Problems from '../display/Problems.vue'
import type { RunView } from '../run/useRun'
import { say, type Word } from '../words'
import { STOPS, useTour, type Stop } from './useTour'

/** The guide: a strip above the page it speaks of, so that it covers nothing of it. */
const tour = useTour()
const route = useRoute()
const router = useRouter()
const display = useDisplay()
const run = computed(() => String(tour.state.run ?? ''))
const { data: view } = useQuery({
  queryKey: computed(() => ['run', run.value, display.pressure]),
  queryFn: () => call<RunView>('GET', `/api/runs/${run.value}?${display.query}`),
  enabled: computed(() => tour.stop === 'screw'),
})
const SAID: Record<Stop, { title: Word; text: Word; next?: Word }> = {
  sheet: { title: 'tour.sheet', text: 'tour.sheet.text', next: 'tour.sheet.next' },
  plan: { title: 'tour.plan', text: 'tour.plan.text', next: 'tour.plan.next' },
  ready: { title: 'tour.ready', text: 'tour.ready.text' },
  screw: { title: 'tour.screw', text: 'tour.screw.text' },
  end: { title: 'tour.end', text: 'tour.end.text', next: 'tour.end.next' },
}
/** It shows the way; there are no panels behind it to choose from. */
const A_SIGN = { root: { role: 'listitem' }, header: { role: undefined, 'aria-controls': undefined, tabindex: -1 } }
const said = computed(() => SAID[tour.stop ?? 'sheet'])
const place = computed<RouteLocationRaw>(() => {
  const { tag } = tour.state
  if (tour.stop === 'sheet' || tour.stop === 'plan') return { name: tour.stop, params: { tag } }
  return { name: 'run', params: { tag, id: run.value } }
})
const elsewhere = computed(() => router.resolve(place.value).path !== route.path)

async function go() {
  if (elsewhere.value) return router.push(place.value)
  if (tour.stop === 'sheet') {
    tour.at('plan')
    await router.push(place.value)
  } else if (tour.stop === 'plan') {
    if ((await tour.startRun()) !== undefined) await router.push(place.value)
  } else if (tour.stop === 'ready') await tour.bringToScrew()
  else tour.leave()
}

// What was going on before the page was loaded anew goes on.
onMounted(() => void (tour.stop === 'ready' && tour.bringToScrew()))
watch(
  () => tour.stop,
  (stop) => void (stop === 'ready' && tour.bringToScrew()),
)
watch(view, (now) => now && tour.seen(now))
</script>

<template>
  <section class="tour no-print" :aria-label="say('tour.tour')">
    <Stepper :value="STOPS.indexOf(tour.stop ?? 'sheet') + 1" class="stops" :pt="{ root: { role: 'list' } }">
      <StepList>
        <Step v-for="(s, i) in STOPS" :key="s" :value="i + 1" disabled :pt="A_SIGN">{{ say(SAID[s].title) }}</Step>
      </StepList>
    </Stepper>
    <div class="said" aria-live="polite">
      <p v-if="elsewhere">{{ say('tour.waits', say(said.title)) }}</p>
      <p v-else>{{ say(said.text, tour.state.tag) }}</p>
      <p v-if="tour.stop === 'ready' && tour.before" class="done">
        <ProgressBar :value="Math.round((100 * tour.done) / tour.before)" :show-value="false" :aria-label="say('tour.progress')" />
        <span>{{ say('tour.steps-done', tour.done, tour.before) }}</span>
      </p>
    </div>
    <Button v-if="elsewhere" :label="say('tour.back')" @click="go" />
    <Button v-else-if="tour.refused" :label="say('tour.again')" :loading="tour.busy" @click="go" />
    <Button v-else-if="said.next" :label="say(said.next)" :loading="tour.busy" @click="go" />
    <Button v-if="tour.stop !== 'end'" :label="say('tour.leave')" severity="secondary" outlined @click="tour.leave()" />
    <Problems class="wrong" :refused="tour.refused" />
  </section>
</template>

<style scoped>
.tour {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 8px 16px;
  padding: 8px 16px;
  background: var(--water-soft);
  border-bottom: 2px solid var(--water);
}
.stops {
  flex-basis: 100%;
}
.stops :deep(.p-steplist) {
  overflow: hidden;
}
.stops :deep(.p-step) {
  opacity: 1;
  padding: 0 8px 0 0;
}
.stops :deep(.p-step-header) {
  font: inherit;
}
.stops :deep(.p-step-number) {
  min-width: 28px;
  height: 28px;
  font-size: 15px;
}
.said {
  flex: 1;
  min-width: 280px;
  display: grid;
  gap: 6px;
}
.done {
  display: grid;
  grid-template-columns: minmax(120px, 320px) auto;
  align-items: center;
  gap: 12px;
}
.wrong {
  flex-basis: 100%;
}
@media (max-width: 800px) {
  /* Numbers for all, a name for the one at hand. */
  .stops :deep(.p-step:not(.p-step-active) .p-step-title) {
    display: none;
  }
}
</style>
