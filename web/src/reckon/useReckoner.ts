import { useQuery } from '@tanstack/vue-query'
import { computed, ref, watch } from 'vue'
import { asRefused, call, type Refused, type Schema } from '../api/client'
import { useDisplay } from '../display/display'

/** By calculator and figure what was typed, and the unit that stood beside it then. */
type Typed = Record<string, Record<string, { text: string; unit: string }>>

const BARE = /^[\d.,\s+-]+$/

function kept(): Typed {
  try {
    return JSON.parse(localStorage.getItem('reckoner-typed') ?? '{}') as Typed
  } catch {
    return {}
  }
}

/** The calculators, what was typed into each of them, and what comes out; kept in the browser for the next time. */
export function useReckoner() {
  const display = useDisplay()
  const { data: all } = useQuery({
    queryKey: computed(() => ['reckon', display.pressure]),
    queryFn: () => call<Schema['CalculatorView'][]>('GET', `/api/reckon?${display.query}`),
    staleTime: Infinity,
  })
  /** What was last reckoned, and with what; as typed, so with the units that were typed. */
  const chosen = ref(localStorage.getItem('reckoner') ?? 'cylinder-pressure')
  const given = ref(kept())
  watch(chosen, (key) => localStorage.setItem('reckoner', key))
  watch(given, (typed) => localStorage.setItem('reckoner-typed', JSON.stringify(typed)), { deep: true })
  const answer = ref<Schema['ReckonedView']>()
  const refused = ref<Refused | null>(null)

  const calculator = computed(() => all.value?.find((c) => c.key === chosen.value))
  /** As typed; a bare number of another unit than the one that stands there now says which it was. */
  const figures = computed(() =>
    Object.fromEntries(
      Object.entries(given.value[chosen.value] ?? {}).map(([key, { text, unit }]) => {
        const now = calculator.value?.inputs.find((f) => f.key === key)?.unit
        return [key, now !== unit && BARE.test(text) ? `${text.trim()} ${unit}` : text]
      }),
    ),
  )
  const wrong = computed(() => Object.fromEntries((refused.value?.places ?? []).map((p) => [p.path, p.message])))

  function type(key: string, text: string) {
    const unit = calculator.value?.inputs.find((f) => f.key === key)?.unit ?? ''
    given.value = { ...given.value, [chosen.value]: { ...given.value[chosen.value], [key]: { text, unit } } }
  }

  function anew() {
    given.value = { ...given.value, [chosen.value]: {} }
  }

  let asked = 0
  watch(
    [calculator, figures],
    async () => {
      const c = calculator.value
      if (!c) return
      const mine = ++asked
      try {
        const found = await call<Schema['ReckonedView']>('POST', `/api/reckon/${c.key}?${display.query}`, figures.value)
        if (mine === asked) {
          answer.value = found
          refused.value = null
        }
      } catch (e) {
        if (mine === asked) refused.value = asRefused(e)
      }
    },
    { deep: true, immediate: true },
  )

  return { all, chosen, calculator, figures, wrong, answer, refused, type, anew }
}
