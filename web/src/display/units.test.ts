import { mount } from '@vue/test-utils'
import { createPinia, setActivePinia } from 'pinia'
import PrimeVue from 'primevue/config'
import { describe, expect, it } from 'vitest'
import NumberField from '../sheet/NumberField.vue'
import { into, namesUnit, outOf, typedInto, unitBeside, withUnit } from './units'

/** Round figures that stand in every conversion table: 1 gal is 231 in³, 1 in is 25.4 mm, 1 hp is 550 lbf·ft/s. */
describe('units of the unit file and of the paper', () => {
  it('goes with the pressures that are chosen', () => {
    expect(['bar', 'L/min', 'kW', 'N', '°C', 'rpm', 'bar/turn'].map((u) => unitBeside(u, 'psi'))).toEqual([
      'psi',
      'gpm',
      'hp',
      'lbf',
      '°F',
      'rpm',
      'psi/turn',
    ])
    expect(['bar', 'L/min', '°C'].map((u) => unitBeside(u, 'MPa'))).toEqual(['MPa', 'L/min', '°C'])
  })
  it('converts by definition', () => {
    expect(into('L/min', 1, 'gpm')).toBeCloseTo((231 * 2.54 ** 3) / 1000, 9)
    expect(into('kW', 1, 'hp')).toBeCloseTo((550 * 0.3048 * 0.45359237 * 9.80665) / 1000, 9)
    expect(into('N', 1, 'lbf')).toBeCloseTo(0.45359237 * 9.80665, 9)
    expect(into('bar', 1, 'psi')).toBeCloseTo((0.45359237 * 9.80665) / 0.0254 ** 2 / 1e5, 9)
    expect(into('cm³', 1, 'in³')).toBeCloseTo(2.54 ** 3, 9)
    expect([-40, 32, 212].map((f) => into('°C', f, '°F'))).toEqual([-40, 0, 100].map((c) => expect.closeTo(c, 9)))
    expect(outOf('°C', 40, '°F')).toBeCloseTo(104, 9)
    expect(outOf('K', 10, '°F')).toBeCloseTo(18, 9)
  })
  it('reads what is typed with its unit, or without one', () => {
    expect(typedInto('bar', '2900 psi', 'bar')).toBeCloseTo(199.948, 3)
    expect(typedInto('bar', '2900', 'psi')).toBeCloseTo(199.948, 3)
    expect(typedInto('N', '50 kN', 'lbf')).toBe(50000)
    expect(typedInto('L/min', '12,5gpm', 'L/min')).toBeCloseTo(47.318, 3)
    expect(typedInto('mm', '2 in', 'mm')).toBeCloseTo(50.8, 9)
    expect(typedInto('%', '85', '%')).toBe(85)
    for (const bad of ['2900 kg', '12 bar psi', 'bar', '1OO', '']) expect(typedInto('bar', bad, 'bar')).toBeNaN()
  })
  it('names the unit of a bare number, and leaves all else as typed', () => {
    expect(withUnit(' 104', '°F')).toBe('104 °F')
    expect(withUnit('40 C', '°F')).toBe('40 C')
    expect(withUnit('1OO', '°F')).toBe('1OO')
    expect([namesUnit('104'), namesUnit('104 F')]).toEqual([false, true])
  })
})

describe('a number field', () => {
  it('counts nothing of what is wrong, and converts what is typed with its unit', async () => {
    setActivePinia(createPinia())
    let bar: number | undefined = 160
    const page = mount(NumberField, {
      props: {
        label: 'Target',
        value: bar,
        unit: 'bar',
        onChange: (now: number | undefined) => {
          bar = now
          void page.setProps({ value: now })
        },
      },
      global: { plugins: [PrimeVue] },
    })
    const input = page.get('input')
    await input.trigger('focus')
    for (const typed of ['2', '29', '290']) await input.setValue(typed)
    expect(bar).toBe(290)
    await input.setValue('290 p')
    expect(bar).toBe(160)
    expect(input.element.value).toBe('290 p')
    expect(page.get('[role=alert]').text()).toContain('290 p')
    await input.setValue('290 psi')
    expect(bar).toBeCloseTo(19.995, 3)
    await input.trigger('blur')
    expect(input.element.value).toBe('19.9948')
    await input.trigger('focus')
    await input.setValue('29O')
    await input.trigger('blur')
    expect(bar).toBeCloseTo(19.995, 3)
  })
})
