<script setup lang="ts">
import type { Schema } from '../api/client'
import { useDisplay } from '../display/display'
import { say } from '../words'

/** The crack that was taken: as marked by hand and as found, and where the relief stands itself by the fall. */
defineProps<{ crack: Schema['CrackView'] }>()
const display = useDisplay()
</script>

<template>
  <p v-if="crack.tappedBar !== null && crack.tappedBar !== undefined" class="small">
    {{
      crack.foundBar
        ? say('run.stepCard.marked-and-found', display.show(crack.tappedBar), display.show(crack.foundBar))
        : say('run.stepCard.marked-by-hand', display.show(crack.tappedBar))
    }}
  </p>
  <p v-if="crack.standsBar != null && crack.standsLowBar != null && crack.standsHighBar != null" class="small">
    {{
      say('run.stepCard.relief-itself', display.show(crack.standsBar), display.show(crack.standsLowBar), display.show(crack.standsHighBar))
    }}
  </p>
</template>
