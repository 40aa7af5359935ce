import { defineStore } from 'pinia'
import { computed, ref, watchEffect } from 'vue'
import { pressureNumber, PRESSURE_UNITS, type PressureUnit } from './quantity'

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

  return { pressure, dark, query, show }
})
