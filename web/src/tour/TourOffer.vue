<script setup lang="ts">
import Button from 'primevue/button'
import Problems from '../display/Problems.vue'
import { say } from '../words'
import { useBeginTour } from './useBeginTour'

/** What somebody finds who has never been here. */
const { tour, begin } = useBeginTour()
</script>

<template>
  <section class="card offer" :aria-label="say('tour.tour')">
    <div class="said">
      <h2>{{ say('tour.offer') }}</h2>
      <p>{{ say('tour.offer.text') }}</p>
      <Problems :refused="tour.refused" />
    </div>
    <Button :label="say('tour.begin')" :loading="tour.busy" @click="begin" />
    <Button :label="say('tour.not-now')" severity="secondary" outlined @click="tour.leave()" />
  </section>
</template>

<style scoped>
.offer {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 10px 14px;
  margin-bottom: 14px;
  border-color: var(--water);
  border-width: 2px;
}
.said {
  flex: 1;
  min-width: 240px;
}
</style>
