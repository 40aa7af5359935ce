import { computed } from 'vue'
import type { Schema } from '../api/client'
import { useDisplay } from '../display/display'
import { PRESSURE_UNITS, pressureNumber, toBar, type PressureUnit } from '../display/quantity'
import { say } from '../words'
import type { LiveView } from './useLive'
import type { RunEvent, RunView } from './useRun'

interface At {
  run: RunView
  step: Schema['StepView']
  live?: LiveView
  lost: boolean
}

/** A needle that has to stand is said to have stood; a peak, or an ammeter, does not stand. */
export function asksStill(e: Schema['ExpectView']) {
  return e.take === 'standing' && PRESSURE_UNITS.includes(e.reads as PressureUnit)
}

/** Of what is expected on a gauge. */
export function bandBar(e?: Schema['ExpectView']): { low?: number; high?: number } {
  return e ? { low: toBar(e.low, e.reads as PressureUnit), high: toBar(e.high, e.reads as PressureUnit) } : {}
}

/** The one likely action of a step, why it has to wait, and what it rests on. */
export function usePrimary(props: At) {
  const display = useDisplay()
  const wrong = computed(() => (props.run.practice ? (props.live?.wrong ?? []) : []))
  const backsOut = computed(() => props.step.way === 'back-out-to-crack')
  const goalGauge = computed(() => props.step.expect.find((e) => PRESSURE_UNITS.includes(e.reads as PressureUnit)))

  /** What stood before it fell, once it has cracked: by the live gauge, or by what was typed between the turns. */
  const crackedAt = computed(() => props.live?.crackBar ?? (props.run.crackRead?.found ? props.run.crackRead.heldBar : undefined))
  /** Backing out, each reading is one of many; locked, the one that is typed is where it passes. */
  const readsOn = computed(() => backsOut.value && !props.run.practice && props.step.kind !== 'lock' && !props.run.crack)

  /** Marked by hand, and nothing bears it out yet. */
  const onlyHeard = computed(() => props.run.crack?.onlyHeard === true)

  function reading(instrument: string) {
    return props.run.readings.find((r) => r.instrument === instrument)
  }

  /** What the live instrument would give now, in its own unit, for the button; empty where it can't be taken. */
  function liveText(e: Schema['ExpectView'] | undefined): string {
    const live = props.live
    if (!live || !e) return ''
    if (e.testPoint === 'OIL') return display.temperature(live.oilC, 1)
    const motor = live.motors[e.testPoint]
    if (motor) return `${motor.amps.toFixed(1)} A`
    const gauge = live.gauges[e.testPoint]
    const unit = e.reads as PressureUnit
    return gauge ? `${pressureNumber(gauge.takeBar ?? gauge.bar, unit, true)} ${unit}` : ''
  }

  /** Why a live instrument can't be taken yet. */
  function notYet(instrument: string): string | undefined {
    if (!props.live || instrument === 'OIL') return undefined
    if (props.lost) return say('run.stepCard.the-machine-is-not')
    if (wrong.value.length) return wrong.value[0]
    const settled = props.live.gauges[instrument]?.settled ?? props.live.motors[instrument]?.settled ?? true
    const take = props.step.expect.find((e) => e.testPoint === instrument)?.take ?? 'standing'
    return settled ? undefined : WAITS[take]
  }

  const WAITS: Record<string, string> = {
    standing: say('run.stepCard.wait-until-it-stands'),
    peak: say('run.stepCard.wait-until-it-has'),
    valley: say('run.stepCard.wait-until-it-has-2'),
    after: say('run.stepCard.wait-until-the-time'),
  }

  interface Action {
    label: string
    waits?: string
    event: RunEvent
  }

  const WAYS: Record<string, string> = {
    'to-the-end': say('run.stepCard.turn-it-to-its'),
    'count-turns': say('run.stepCard.turn-as-advised'),
  }

  /** The one likely action now. */
  const primary = computed<Action>(() => {
    const step = props.step.id
    if (!props.run.missing.length) {
      const rests = props.step.demand === 'rest' && props.run.practice
      const bare = props.run.curve && !props.run.curve.points.length
      const deed = say(rests ? 'run.stepCard.let-the-time-pass' : bare ? 'verify.without' : 'run.stepCard.done-next-step')
      return { label: deed, event: { kind: 'step-done', step } }
    }
    const unread = props.step.expect.find((e) => !reading(e.testPoint))
    if (backsOut.value && (!reading(goalGauge.value?.testPoint ?? '') || onlyHeard.value)) {
      const crack = crackedAt.value
      const locked = props.step.kind === 'lock'
      const typed = say(
        locked
          ? 'run.stepCard.type-where-it-gets-behind'
          : props.run.advice?.turns
            ? 'run.stepCard.turn-stand-type'
            : 'run.stepCard.stand-type',
      )
      const watched = locked ? say('run.stepCard.mark-where-it-gets-behind') : say('run.stepCard.watching-for-the-first')
      return {
        label: crack ? say('run.stepCard.take-as-crack-point', display.show(crack)) : say('run.stepCard.take-the-crack-point'),
        waits: crack ? undefined : props.live ? watched : typed,
        event: { kind: 'take-crack', step },
      }
    }
    const turning = WAYS[props.step.way ?? '']
    if (turning && (props.run.advice?.turns || !props.step.expect.length))
      return { label: turning, waits: props.run.missing[0], event: { kind: 'step-done', step } }
    if (!props.step.expect.length)
      return { label: say('run.stepCard.done-next-step'), waits: props.run.missing[0], event: { kind: 'step-done', step } }
    const next = unread ?? props.step.expect.find((e) => reading(e.testPoint)?.grade !== 'pass') ?? props.step.expect[0]
    const instrument = next?.testPoint ?? ''
    const name = instrument === 'OIL' ? 'oil' : instrument
    return {
      label: props.live ? say('run.stepCard.take', name, liveText(next)) : say('run.stepCard.type-what-reads', name),
      waits: notYet(instrument),
      event: { kind: 'live-reading', step, instrument },
    }
  })

  return { wrong, backsOut, crackedAt, readsOn, onlyHeard, goalGauge, reading, primary }
}
