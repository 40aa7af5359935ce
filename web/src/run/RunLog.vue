<script setup lang="ts">
import { clockToTheSecond } from '../display/time'
import { say } from '../words'
import type { RunView } from './useRun'

/** What was done and read, the newest first. */
defineProps<{ run: RunView }>()
</script>

<template>
  <details class="log">
    <summary>
      {{
        say(
          'run.runPage.entries-in-the-log',
          run.seq,
          run.technician,
          run.practice ? say('run.runPage.on-the-practice-rig') : say('run.runPage.at-the-machine'),
        )
      }}
    </summary>
    <ol>
      <li v-for="l in run.log" :key="l.seq" :class="{ slip: l.slip }">
        <span class="quiet">{{ clockToTheSecond(l.at) }}</span> {{ l.text }}
      </li>
    </ol>
  </details>
</template>

<style scoped>
summary {
  color: var(--quiet);
}
ol {
  margin: 6px 0;
  padding-left: 0;
  list-style: none;
}
.slip {
  text-decoration: line-through;
}
</style>
