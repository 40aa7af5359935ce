<script setup lang="ts">
import { computed, defineAsyncComponent } from 'vue'
import { useRoute } from 'vue-router'
import TopBar from './shell/TopBar.vue'
import { useTour } from './tour/useTour'

const TourPanel = defineAsyncComponent(() => import('./tour/TourPanel.vue'))
const ToldToast = defineAsyncComponent(() => import('./display/ToldToast.vue'))
const tour = useTour()
const route = useRoute()
const tag = computed(() => (typeof route.params.tag === 'string' ? route.params.tag : ''))
</script>

<template>
  <TopBar :tag="tag" />
  <TourPanel v-if="tour.stop" />
  <main :key="tag">
    <RouterView />
  </main>
  <ToldToast />
</template>

<style scoped>
main {
  padding: 12px 16px 24px;
  max-width: 1500px;
  margin: 0 auto;
}
</style>
