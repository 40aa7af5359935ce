<script setup lang="ts">
import Button from 'primevue/button'
import { computed } from 'vue'
import { day, today } from '../display/time'
import { say } from '../words'
import { STATES, type Task, type Upkeep, type Write } from './upkeep'

/** What is due, the most pressing first; what a hand has done is one tap. */
const props = defineProps<{ upkeep: Upkeep; write: Write; on: string }>()
const deed = computed(() => (props.on === today() ? say('upkeep.done') : say('upkeep.done-on', day(props.on))))
/** Written down with what they show, not by a tap. */
const SHOWN_BY_ENTRY = ['sample', 'indicator']

function when(t: Task): string {
  if (!t.on) return ''
  return say(t.state === 'due' ? 'upkeep.since' : 'upkeep.on', day(t.on))
}
</script>

<template>
  <ul>
    <li v-for="t in upkeep.tasks" :key="t.task">
      <span class="chip" :class="STATES[t.state]?.chip">{{ say(STATES[t.state]?.word ?? 'upkeep.state.unknown') }}</span>
      <div class="what">
        <b>{{ t.name }}</b> <span>{{ when(t) }}</span>
        <div class="quiet small">{{ t.said }} {{ t.last ? say('upkeep.last', day(t.last)) : say('upkeep.never') }}</div>
      </div>
      <RouterLink v-if="t.task === 'check'" :to="{ name: 'start', params: { tag: upkeep.tag } }" class="no-print">
        <Button :label="say('upkeep.start-check')" severity="secondary" outlined tabindex="-1" />
      </RouterLink>
      <span v-else-if="SHOWN_BY_ENTRY.includes(t.task)" class="quiet small no-print">{{ say('upkeep.write-sample') }}</span>
      <Button
        v-else
        class="no-print"
        :label="deed"
        :aria-label="`${t.name}: ${deed}`"
        severity="secondary"
        outlined
        @click="write({ kind: 'done', task: t.task })"
      />
    </li>
  </ul>
</template>

<style scoped>
ul {
  list-style: none;
  margin: 0;
  padding: 0;
}
li {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 12px;
  padding: 4px 0;
  align-items: center;
  min-height: 56px;
  border-top: 1px solid var(--rule);
}
.chip {
  flex: 0 0 auto;
  min-width: 96px;
}
.what {
  flex: 1 1 200px;
  min-width: 0;
}
</style>
