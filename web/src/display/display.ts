import { defineStore } from 'pinia'
import { computed, ref, watchEffect } from 'vue'
import { pressureNumber, PRESSURE_UNITS, type PressureUnit } from './quantity'
import { outOf, unitBeside } from './units'

/** How things are shown, everywhere at once: pressure unit and theme; kept in the browser. */
export const useDisplay = defineStore('display', () => {
  const stored = localStorage.getItem('pressure') as PressureUnit | null
  const pressure = ref<PressureUnit>(stored && PRESSURE_UNITS.includes(stored) ? stored : 'bar')
  const dark = ref(localStorage.getItem('theme') === 'dark')

  watchEffect(() => localStorage.setItem('pressure', pressure.value))
  watchEffect(() => {
    localStorage.setItem('theme', dark.value ? 'dark' : 'light')
    document.documentElement.classList.toggle('dark', dark.value)
  })

  /** For calls whose answers hold sentences with pressures in them. */
  const query = computed(() => `pressure=${pressure.value}`)

  function show(bar: number): string {
    return `${pressureNumber(bar, pressure.value)} ${pressure.value}`
  }

  /** What the unit file has in `unit`, with the unit in which it is shown; as short as it is where no decimals are asked. */
  function amount(value: number, unit: string, decimals?: number): string {
    const there = unitBeside(unit, pressure.value)
    const shown = outOf(unit, value, there)
    return `${decimals === undefined ? Number(shown.toPrecision(4)) : shown.toFixed(decimals).replace(/^-(?=0\.?0*$)/, '')} ${there}`
  }

  const flow = (lpm: number, decimals?: number) => amount(lpm, 'L/min', decimals)
  const power = (kw: number, decimals?: number) => amount(kw, 'kW', decimals)
  const temperature = (c: number, decimals?: number) => amount(c, '°C', decimals)
  /** A difference of temperatures. */
  const warming = (kelvin: number, decimals?: number) => amount(kelvin, 'K', decimals)
  const degrees = computed(() => unitBeside('°C', pressure.value))

  return { pressure, dark, query, show, amount, flow, power, temperature, warming, degrees }
})
