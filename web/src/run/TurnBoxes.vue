<script setup lang="ts">
import { computed } from 'vue'
import type { Schema } from '../api/client'
import { useDisplay } from '../display/display'
import { settingName } from '../display/names'
import { say } from '../words'
import TurnEntry from './TurnEntry.vue'
import type { RunEvent, RunView } from './useRun'

/** The next turn, and who has the gauge. */
const props = defineProps<{ run: RunView; step: Schema['StepView']; cracked: boolean; waits: boolean }>()
const emit = defineEmits<{ made: [event: RunEvent] }>()
const display = useDisplay()

const screw = computed(() => props.run.screws.find((s) => s.setting === props.step.setting))
const SURE: Record<string, string> = {
  well: say('run.turnBoxes.well-known'),
  roughly: say('run.turnBoxes.roughly-known'),
  hardly: say('run.turnBoxes.hardly-known'),
}

/** What a turn does, how sure that is, and how it is known. */
const slope = computed(() => {
  const s = screw.value
  if (!s) return ''
  const from = s.knownFrom || (s.learned ? say('run.turnBoxes.learned-here') : say('run.turnBoxes.by-its-data'))
  return say(
    'run.turnBoxes.a-turn-moves',
    amount(s.barPerTurn, s.perTurnIn),
    amount(s.barPerTurnError, s.perTurnIn),
    SURE[s.known] ?? '',
    from,
  )
})

function amount(value: number, unit: string) {
  return unit === 'bar' ? display.show(value) : display.amount(value, unit)
}
</script>

<template>
  <div class="boxes">
    <div v-if="run.advice" class="box turn">
      <span class="quiet small">{{ say('run.stepCard.next-turn') }}</span>
      <b v-if="cracked" class="figure">{{ say('run.stepCard.stop-it-has-cracked') }}</b>
      <b v-else-if="waits" class="figure">{{ say('run.stepCard.wait') }}</b>
      <b v-else class="figure">{{
        run.advice.turns
          ? `${run.advice.turns > 0 ? '↻' : '↺'} ${run.advice.turnsText} ${run.advice.turns > 0 ? say('run.turnEntry.inward') : say('run.turnEntry.outward')}`
          : say('run.stepCard.none-now')
      }}</b>
      <span class="small">{{ run.advice.text }}</span>
      <span v-if="screw && step.way !== 'to-the-end'" class="small quiet">{{ slope }}</span>
      <TurnEntry
        v-if="!run.practice"
        :key="step.id"
        :step="step"
        :advised="run.advice.turns"
        :screws="run.screws.map((s) => s.setting)"
        @made="(e) => emit('made', e)"
      />
    </div>
    <div v-if="run.holder" class="box">
      <span class="quiet small">{{ say('run.turnBoxes.who-has-it-now') }}</span>
      <b class="figure">{{ run.holder.setting ? settingName(run.holder.setting) : say('run.turnBoxes.no-valve') }}</b>
      <span class="small">{{ run.holder.text }}</span>
      <ul v-if="run.holder.look.length" class="small">
        <li v-for="l in run.holder.look" :key="l">{{ l }}</li>
      </ul>
    </div>
    <div v-else-if="step.inControl" class="box">
      <span class="quiet small">{{ say('run.stepCard.who-has-the-gauge') }}</span>
      <b class="figure">{{ settingName(step.inControl) }}</b>
      <span v-if="screw && screw.turnsIn !== null && screw.turnsIn !== undefined" class="small">{{
        say('run.stepCard.stands-in-from-all', settingName(screw.setting), screw.turnsText)
      }}</span>
      <span v-else-if="screw" class="small">{{ say('run.stepCard.where-stands-is-not', settingName(screw.setting)) }}</span>
    </div>
  </div>
</template>

<style scoped>
.boxes {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 12px;
}
.box {
  border: 1.5px solid var(--rule);
  border-radius: 8px;
  padding: 10px 14px;
  display: grid;
  gap: 2px;
  align-content: start;
}
.box.turn {
  border-color: var(--gate);
}
ul {
  margin: 2px 0 0;
  padding-left: 18px;
}
.figure {
  font-size: 23px;
  line-height: 1.25;
}
</style>
