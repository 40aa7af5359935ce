<script setup lang="ts">
import Button from 'primevue/button'
import SelectButton from 'primevue/selectbutton'
import { say } from '../words'
import { computed, defineAsyncComponent, onBeforeUnmount, onMounted, ref } from 'vue'
import { useRoute } from 'vue-router'
import { useDisplay } from '../display/display'
import { PRESSURE_UNITS } from '../display/quantity'
import { useUnits } from '../units/useUnits'

const props = defineProps<{ tag: string }>()
const display = useDisplay()
const route = useRoute()
const { data: units } = useUnits()
const unit = computed(() => units.value?.find((u) => u.tag === props.tag))
const TABS = [
  { name: 'sheet', label: say('shell.topBar.sheet'), owns: ['sheet'] },
  { name: 'plan', label: say('shell.topBar.plan'), owns: ['plan'] },
  { name: 'start', label: say('shell.topBar.run'), owns: ['start', 'run'] },
  { name: 'records', label: say('shell.topBar.record'), owns: ['records', 'record'] },
  { name: 'history', label: say('shell.topBar.history'), owns: ['history'] },
  { name: 'upkeep', label: say('shell.topBar.upkeep'), owns: ['upkeep'] },
]
const KeysHelp = defineAsyncComponent(() => import('./KeysHelp.vue'))
const keys = ref(false)

/** Where nothing is typed in. */
function onKey(event: KeyboardEvent) {
  const target = event.target as HTMLElement
  if (event.key !== '?' || ['INPUT', 'TEXTAREA'].includes(target.tagName)) return
  keys.value = !keys.value
}
onMounted(() => window.addEventListener('keydown', onKey))
onBeforeUnmount(() => window.removeEventListener('keydown', onKey))
const PLACES = [
  { name: 'units', label: say('shell.topBar.units') },
  { name: 'day', label: say('shell.topBar.day') },
  { name: 'reckoner', label: say('shell.topBar.reckoner') },
  { name: 'instruments', label: say('shell.topBar.instruments') },
]
</script>

<template>
  <header class="no-print">
    <RouterLink to="/" class="home"><img src="/gate.svg" alt="" width="28" height="28" />{{ say('shell.topBar.early-gate') }}</RouterLink>
    <span v-if="tag" class="unit" :title="unit?.name"
      ><b>{{ tag }}</b> {{ unit?.name }}</span
    >
    <nav v-if="tag" :aria-label="say('shell.topBar.unit')">
      <RouterLink
        v-for="t in TABS"
        :key="t.name"
        :to="{ name: t.name, params: { tag } }"
        :class="{ here: t.owns.includes(String(route.name)) }"
        >{{ t.label }}</RouterLink
      >
    </nav>
    <nav v-else :aria-label="say('shell.topBar.workshop')">
      <RouterLink v-for="p in PLACES" :key="p.name" :to="{ name: p.name }" :class="{ here: route.name === p.name }">{{
        p.label
      }}</RouterLink>
    </nav>
    <span class="gap"></span>
    <RouterLink v-if="tag" class="aside" :to="{ name: 'reckoner', query: { unit: tag } }">{{ say('shell.topBar.reckoner') }}</RouterLink>
    <SelectButton
      v-model="display.pressure"
      :options="PRESSURE_UNITS"
      :allow-empty="false"
      class="units"
      :aria-label="say('shell.topBar.pressure-unit')"
    />
    <Button
      outlined
      severity="secondary"
      class="theme"
      :label="display.dark ? say('shell.topBar.day') : say('shell.topBar.night')"
      :aria-pressed="display.dark"
      @click="display.dark = !display.dark"
    />
    <Button
      outlined
      severity="secondary"
      class="theme"
      label="?"
      aria-haspopup="dialog"
      :aria-label="say('shell.topBar.keys')"
      @click="keys = true"
    />
    <KeysHelp v-if="keys" v-model="keys" />
  </header>
</template>

<style scoped>
header {
  display: flex;
  align-items: center;
  gap: 18px;
  background: var(--bar);
  color: var(--bar-ink);
  padding: 0 16px;
  min-height: 52px;
}
.home {
  display: flex;
  align-items: center;
  gap: 10px;
  color: inherit;
  font-weight: 700;
  font-size: 18px;
  text-decoration: none;
  min-height: 44px;
  white-space: nowrap;
}
.unit {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
  min-width: 60px;
}
nav {
  display: flex;
  align-self: stretch;
}
nav a {
  color: #c3c8c3;
  text-decoration: none;
  padding: 0 14px;
  display: flex;
  align-items: center;
  border-bottom: 4px solid transparent;
  border-top: 4px solid transparent;
}
nav a.here {
  color: #fff;
  border-bottom-color: #d8b04a;
  font-weight: 600;
}
.aside {
  color: #c3c8c3;
  min-height: 44px;
  display: flex;
  align-items: center;
}
/* The bar is dark by day too. */
.units,
.theme {
  --p-togglebutton-background: transparent;
  --p-togglebutton-hover-background: #2a3532;
  --p-togglebutton-color: #c3c8c3;
  --p-togglebutton-hover-color: #fff;
  --p-togglebutton-border-color: #47524d;
  --p-togglebutton-checked-background: #f6f3ec;
  --p-togglebutton-content-checked-background: #f6f3ec;
  --p-togglebutton-checked-color: #18201f;
  --p-togglebutton-checked-border-color: #f6f3ec;
  --p-button-outlined-secondary-hover-background: #2a3532;
  --p-button-outlined-secondary-active-background: #2a3532;
  flex: none;
}
header .theme.p-button.p-button-outlined.p-button-secondary {
  color: #c3c8c3;
  border-color: #47524d;
  padding: 0 12px;
}
.units :deep(.p-togglebutton) {
  padding: 0 4px;
}
@media (max-width: 1100px) {
  header {
    gap: 10px;
  }
  nav a {
    padding: 0 9px;
  }
}
@media (max-width: 800px) {
  header {
    flex-wrap: wrap;
    gap: 4px 8px;
    padding: 0 10px;
  }
  .gap {
    display: none;
  }
  header .theme.p-button.p-button-outlined.p-button-secondary {
    padding: 0 9px;
    min-width: 40px;
  }
  .home {
    font-size: 0;
  }
  nav {
    order: 1;
    flex: 1 0 100%;
    min-height: 48px;
  }
  nav a {
    flex: 1;
    justify-content: center;
  }
}
</style>
