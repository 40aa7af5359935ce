<script setup lang="ts">
import InputText from 'primevue/inputtext'
import { say } from '../words'
import Button from 'primevue/button'
import { computed } from 'vue'
import type { Schema } from '../api/client'
import { useDisplay } from '../display/display'
import { PRESSURE_UNITS, toBar, type PressureUnit } from '../display/quantity'
import { namesUnit, withUnit } from '../display/units'
import Verdict from '../display/Verdict.vue'
import StopClock from './StopClock.vue'
import { useKept } from './kept'
import type { Waiting } from './outbox'

const props = defineProps<{
  expect: Schema['ExpectView']
  /** where half-typed text is kept */
  place: string
  reading?: Schema['ReadingView']
  /** entries of this instrument that are not yet known to be on disk */
  waiting: Waiting[]
  message?: string
  /** a difference is what counts, not this gauge alone */
  part?: boolean
  /** whoever types it says that the needle stands still */
  asksStill?: boolean
  /** whatever it shows is what was found */
  asFound?: boolean
}>()
const emit = defineEmits<{ keep: [text: string, back: (text: string) => void] }>()
const display = useDisplay()
const ofDial = computed(() => PRESSURE_UNITS.includes(props.expect.reads as PressureUnit))
const text = useKept(props.place)

function keep() {
  const typed = text.value
  // Nothing typed is nothing to keep, or to wait for a network.
  if (!typed.trim()) return
  // It waits below from here on; only a refusal brings it back, and never over something typed since.
  text.value = ''
  // A gauge has its unit on the dial; what else is read goes with the units that are chosen now.
  emit('keep', ofDial.value ? typed : withUnit(typed, props.expect.reads), () => {
    if (!text.value) text.value = typed
  })
}

const TAKES: Record<string, string> = {
  peak: say('run.readingRow.the-highest-it-comes'),
  valley: say('run.readingRow.the-lowest-it-comes'),
}
const moment = computed(() => (props.expect.take === 'after' ? say('run.readingRow.after', props.expect.afterS) : TAKES[props.expect.take]))

/** In the unit that was chosen too, where the gauge has another. */
const also = computed(() => {
  const unit = props.expect.reads as PressureUnit
  if (!ofDial.value || unit === display.pressure) return ''
  return say('run.readingRow.between', display.show(toBar(props.expect.low, unit)), display.show(toBar(props.expect.high, unit)))
})
</script>

<template>
  <div class="reading" role="group" :aria-label="say('run.readingRow.reading-of', expect.testPoint)">
    <div class="want">
      <b>{{ expect.testPoint === 'OIL' ? say('run.readingRow.oil') : expect.testPoint }}</b>
      <template v-if="asFound">
        {{ say('run.readingRow.as-it-comes') }} <b>{{ expect.value }} {{ expect.reads }}</b></template
      >
      <template v-else-if="part">
        {{ say('run.readingRow.about') }} <b>{{ expect.value }} {{ expect.reads }}</b> {{ say('run.readingRow.at-this-load') }}</template
      >
      <template v-else>
        {{ say('run.readingRow.must-show') }} <b>{{ say('run.readingRow.to', expect.low, expect.high, expect.reads) }}</b>
        <span class="quiet also">{{ also }}</span></template
      >
      <span v-if="moment" class="chip plain">{{ moment }}</span>
      <StopClock v-if="expect.take === 'after' && !reading" :of="expect.afterS" />
    </div>
    <form class="type" @submit.prevent="keep">
      <InputText
        v-model="text"
        inputmode="decimal"
        autocomplete="off"
        :data-reading="expect.testPoint"
        :aria-label="say('run.readingRow.type-what-reads', expect.testPoint)"
        :invalid="message !== undefined"
      />
      <span class="quiet">{{ expect.reads }}</span>
      <Button type="submit" :label="say(asksStill ? 'run.readingRow.stood-still' : 'run.readingRow.keep')" severity="secondary" outlined />
    </form>
    <p v-for="w in waiting" :key="w.key" class="got small">
      <span class="chip cannot-tell">{{ say('run.readingRow.waiting') }}</span>
      <b>{{ w.event.text }} {{ namesUnit(w.event.text ?? '') ? '' : expect.reads }}</b>
      {{ say('run.readingRow.is-kept-here-and') }}
    </p>
    <p v-if="message" class="wrong" role="alert">{{ message }}</p>
    <p v-if="reading" class="got">
      <Verdict :grade="reading.grade" /> <b>{{ reading.value }} {{ reading.unit }}</b> <span class="small">{{ reading.message }}</span>
    </p>
  </div>
</template>

<style scoped>
.reading {
  display: grid;
  grid-template-columns: 1fr auto;
  gap: 6px 12px;
  align-items: center;
  border-top: 1px solid var(--rule);
  padding-top: 8px;
}
.also {
  margin-left: 0.35em;
}
.type {
  display: flex;
  align-items: center;
  gap: 8px;
}
input {
  width: 92px;
  font-size: 18px;
  font-weight: 600;
}
.wrong {
  grid-column: 1 / -1;
  color: var(--stop);
  font-weight: 600;
}
.got {
  grid-column: 1 / -1;
}
</style>
