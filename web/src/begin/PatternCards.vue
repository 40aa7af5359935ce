<script setup lang="ts">
import Select from 'primevue/select'
import { computed, ref } from 'vue'
import Circuit from '../circuit/Circuit.vue'
import { LIKE, type UnitFile } from '../units/unitFile'
import { useUnits } from '../units/useUnits'
import { say } from '../words'
import { EMPTY, type PatternView } from './useBeginning'

/** The circuits that units are built by, each drawn small; a unit that is there; or a bare sheet. */
const props = defineProps<{ patterns: PatternView[] }>()
const emit = defineEmits<{ chosen: [by: string] }>()
const { data: units } = useUnits()
const like = ref<string>()

/** Of a sectional valve only one is shown; how many sections is asked with the rest. */
const shown = computed(() => props.patterns.filter((p) => !/^load-sense-[13-6]$/.test(p.id)))
function title(p: PatternView) {
  return p.id === 'load-sense-2' ? say('begin.patternCards.sectional') : p.title
}
</script>

<template>
  <div class="cards">
    <button v-for="p in shown" :key="p.id" type="button" class="card pattern" :aria-label="title(p)" @click="emit('chosen', p.id)">
      <span class="picture" inert><Circuit :unit="p.example as UnitFile" /></span>
      <b>{{ title(p) }}</b>
      <span class="small">{{ p.tells }}</span>
    </button>
    <div class="card pattern">
      <label for="like"
        ><b>{{ say('begin.patternCards.like') }}</b></label
      >
      <span class="small">{{ say('begin.patternCards.all-but-its-name') }}</span>
      <Select
        v-model="like"
        input-id="like"
        :options="units ?? []"
        :option-label="(u) => `${u.tag}, ${u.name}`"
        option-value="tag"
        :placeholder="say('begin.patternCards.choose-a-unit')"
        filter
        fluid
        @change="emit('chosen', LIKE + like)"
      />
    </div>
    <button type="button" class="card pattern" :aria-label="say('begin.patternCards.bare')" @click="emit('chosen', EMPTY)">
      <b>{{ say('begin.patternCards.bare') }}</b>
      <span class="small">{{ say('begin.patternCards.every-part-by-hand') }}</span>
    </button>
  </div>
</template>

<style scoped>
.cards {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(268px, 1fr));
  gap: 12px;
}
.pattern {
  font: inherit;
  color: inherit;
  text-align: left;
  display: grid;
  gap: 4px;
  align-content: start;
  border: 1.5px solid var(--rule);
}
button.pattern {
  cursor: pointer;
}
button.pattern:hover,
button.pattern:focus-visible {
  border-color: var(--gate);
}
.picture {
  height: 150px;
  overflow: hidden;
  display: grid;
}
.picture :deep(svg) {
  width: 100%;
  height: 150px;
}
</style>
