<script setup lang="ts">
import { say } from '../words'
import { nextTick, ref, watch } from 'vue'
import type { Schema } from '../api/client'
import { grouped } from './grouped'

/** All steps by phase; checks that follow each other without a reading stand together as one list to tick. */
const props = defineProps<{ phases: Schema['PhaseView'][]; current?: string }>()
const chosen = defineModel<string>({ required: true })
const list = ref<HTMLElement>()

watch(
  () => [props.current, list.value],
  () =>
    void nextTick(() => {
      const here = list.value?.querySelector<HTMLElement>('[aria-current="step"]')
      if (here && list.value) list.value.scrollTop = here.offsetTop - list.value.clientHeight / 2
    }),
)
</script>

<template>
  <nav ref="list" class="card steps" :aria-label="say('plan.planPage.steps')">
    <template v-for="p in phases" :key="p.id">
      <h2>{{ p.title }}</h2>
      <div v-for="g in grouped(p.steps)" :key="g[0]?.id" :class="{ checks: g.length > 1 }">
        <p v-if="g.length > 1" class="quiet">{{ say('plan.stepList.checks', g.length) }}</p>
        <button
          v-for="s in g"
          :key="s.id"
          type="button"
          :class="{ here: s.id === current, set: s.kind === 'set' }"
          :aria-current="s.id === current ? 'step' : undefined"
          @click="chosen = s.id"
        >
          <span class="kind">{{ s.id.slice(1) }}</span><span>{{ s.unprotected ? '▲ ' : '' }}{{ s.action }}</span>
        </button>
      </div>
      <p class="hold">
        <b>{{ say('plan.planPage.gate') }}</b> {{ p.holdPoint.conditions.join('; ') }}
      </p>
    </template>
  </nav>
</template>

<style scoped>
.steps {
  position: relative;
  padding: 8px;
  max-height: calc(100vh - 120px);
  overflow-y: auto;
}
.steps h2 {
  padding: 8px 8px 4px;
}
.steps button {
  display: flex;
  gap: 10px;
  width: 100%;
  min-height: 44px;
  text-align: left;
  font: inherit;
  font-size: 15px;
  color: inherit;
  background: none;
  border: 0;
  border-radius: 6px;
  padding: 6px 8px;
  cursor: pointer;
}
.steps button.here {
  background: var(--gate);
  color: var(--on-gate);
}
.steps button.set {
  font-weight: 700;
}
.kind {
  min-width: 22px;
  text-align: right;
  opacity: 0.75;
}
.hold {
  font-size: 14px;
  color: var(--quiet);
  border-top: 2px dashed var(--gold);
  margin: 4px 8px 0;
  padding-top: 4px;
}
.checks {
  border-left: 4px solid var(--rule);
  margin: 4px 0;
}
.checks p {
  margin: 0;
  padding: 2px 12px;
  font-size: 14px;
}
</style>
