<script setup lang="ts">
import { say } from '../words'
import { when } from '../display/time'
import { useInfiniteQuery } from '@tanstack/vue-query'
import Button from 'primevue/button'
import { computed } from 'vue'
import { asRefused, call, type Schema } from '../api/client'
import Problems from '../display/Problems.vue'

const props = defineProps<{ tag: string }>()
/** As many as the server gives at once. */
const PAGE = 100
const { data, error, hasNextPage, fetchNextPage } = useInfiniteQuery({
  queryKey: ['runs', props.tag],
  queryFn: ({ pageParam }) => call<Schema['RunSummary'][]>('GET', `/api/runs?tag=${encodeURIComponent(props.tag)}${pageParam}`),
  initialPageParam: '',
  getNextPageParam: (last) => (last.length < PAGE ? undefined : `&before=${last[PAGE - 1]?.id}`),
})
const runs = computed(() => data.value?.pages.flat())
</script>

<template>
  <section class="card list">
    <h1>{{ say('record.recordsPage.records-of', tag) }}</h1>
    <Problems :refused="error ? asRefused(error) : null" />
    <p v-if="runs && !runs.length">
      {{ say('record.recordsPage.no-run-yet') }}
      <RouterLink :to="{ name: 'start', params: { tag } }">{{ say('record.recordsPage.start-one') }}</RouterLink>
    </p>
    <div v-for="r in runs" :key="r.id" class="run">
      <RouterLink :to="{ name: 'record', params: { tag, id: r.id } }"
        ><b>{{ say('record.recordsPage.run', r.id) }}</b></RouterLink
      >
      {{ when(r.startedAt) }}, {{ r.technician }}
      <span v-if="r.damaged" class="chip fail">{{ say('display.changed.row') }}</span>
      <span v-else class="chip" :class="!r.finished ? 'plain' : r.outcome === 'passed-with-deviations' ? 'cannot-tell' : 'pass'">{{
        r.finished
          ? r.outcome === 'passed-with-deviations'
            ? say('record.recordsPage.with-deviations')
            : say('record.recordsPage.finished')
          : say('record.recordsPage.open')
      }}</span>
      <span v-if="r.practice" class="chip plain">{{ say('record.recordsPage.practice-rig') }}</span>
      <span v-if="!r.finished" class="gap"></span>
      <RouterLink v-if="!r.finished && !r.damaged" :to="{ name: 'run', params: { tag, id: r.id } }">{{
        say('record.recordsPage.go-on')
      }}</RouterLink>
    </div>
    <Button v-if="hasNextPage" :label="say('record.recordsPage.older-runs')" severity="secondary" outlined @click="fetchNextPage()" />
  </section>
</template>

<style scoped>
.list {
  display: grid;
  gap: 10px;
  max-width: 760px;
  margin: 10px auto;
}
.run {
  display: flex;
  gap: 12px;
  align-items: center;
  min-height: 48px;
  color: inherit;
  border-top: 1px solid var(--rule);
  text-decoration: none;
}
</style>
