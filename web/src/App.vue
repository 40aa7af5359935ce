<script setup lang="ts">
import { computed, defineAsyncComponent } from 'vue'
import { useRoute } from 'vue-router'
import TopBar from './shell/TopBar.vue'

const ToldToast = defineAsyncComponent(() => import('./display/ToldToast.vue'))
const route = useRoute()
const tag = computed(() => (typeof route.params.tag === 'string' ? route.params.tag : ''))
</script>

<template>
  <TopBar :tag="tag" />
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
