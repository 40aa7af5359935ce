import { mount } from '@vue/test-utils'
import { createPinia, setActivePinia } from 'pinia'
import PrimeVue from 'primevue/config'
import { beforeEach, describe, expect, it } from 'vitest'
import { nextTick } from 'vue'
import { useDisplay } from './display/display'
import Verdict from './display/Verdict.vue'
import Gates from './run/Gates.vue'
import Findings from './sheet/Findings.vue'
import TargetField from './sheet/TargetField.vue'
import Staff from './staff/Staff.vue'

const staff = {
  line: 'P',
  name: 'pump line',
  topBar: 260,
  ceilings: [{ part: 'P', bar: 250 }],
  flags: [
    { id: 'RV1', kind: 'relief', name: 'RV1', bar: 166, toleranceBar: 4, set: true },
    { id: 'P1.compensator', kind: 'compensator', name: 'P1.compensator', bar: 160, toleranceBar: 4, set: false },
  ],
  gaps: [{ upper: 'RV1', lower: 'P1.compensator', bar: 6, neededBar: 14 }],
}
const pinia = createPinia()
const global = { plugins: [pinia, PrimeVue] }

beforeEach(() => {
  localStorage.clear()
  setActivePinia(pinia)
  useDisplay().pressure = 'bar'
})

describe('Staff', () => {
  it('shows what is set, what is asked of the gap and where the line stands', () => {
    const page = mount(Staff, { props: { staff, live: 100, current: 'P1.compensator' }, global })
    expect(page.attributes('aria-label')).toBe('Staff of line P, now 100 bar')
    expect(page.text()).toContain('set, target 166 ± 4 bar')
    expect(page.text()).toContain('▲ 6')
    expect(page.find('.flag.compensator.current').exists()).toBe(true)
    expect(page.find('.flag.relief.set').exists()).toBe(true)
  })
  it('follows the pressure unit', async () => {
    const page = mount(Staff, { props: { staff }, global })
    useDisplay().pressure = 'psi'
    await nextTick()
    expect(page.text()).toContain('Line P, psi')
    expect(page.text()).toContain('target 2321 ± 58 psi')
    expect(page.text()).not.toContain('bar')
  })
})

describe('TargetField', () => {
  it('keeps what is typed and says what is wrong with it', async () => {
    const page = mount(TargetField, { props: { label: 'Target of RV1', bar: 176 }, global })
    const input = page.get('input')
    await input.setValue('17x')
    expect(page.get('[role=alert]').text()).toContain('"17x" is not a number')
    expect(input.element.value).toBe('17x')
    await input.setValue('0')
    expect(page.get('[role=alert]').text()).toContain('too small')
    await input.setValue('172,5')
    expect(page.find('[role=alert]').exists()).toBe(false)
    expect(page.emitted('change')).toEqual([[172.5]])
  })
})

describe('Findings', () => {
  it('offers each value in the unit shown, by word, shape and figure', async () => {
    const finding = {
      rule: 'L1',
      severity: 'warn',
      setting: 'RV1',
      message: 'short',
      figures: {},
      fingerprint: 'x',
      release: false,
      suggestion: { setting: 'RV1', pressureBar: 174 },
    }
    const fit = { ...finding, rule: 'L11', suggestion: { part: 'G1', key: 'rangeBar', value: 250 } }
    const page = mount(Findings, { props: { findings: [finding, fit] }, global })
    expect(page.text()).toContain('▲ Mind · L1')
    expect(page.text()).toContain('Fit G1 with a range of 250 bar')
    await page.get('button').trigger('click')
    expect(page.emitted('take')).toEqual([[finding.suggestion]])
    expect(mount(Findings, { props: { findings: [] }, global }).text()).toContain('Every relation holds')
  })
})

it('tells verdicts apart by word and shape, not by colour alone', () => {
  const shown = ['pass', 'fail', 'cannot-tell'].map((grade) => mount(Verdict, { props: { grade } }).text())
  expect(shown).toEqual(['✔pass', '✖fail', '?cannot tell'])
})

it('says of each gate whether it is open, and who opened it', () => {
  const phase = { title: '', done: 1, steps: 1, openedAt: undefined, openedBy: undefined }
  const phases = [
    { ...phase, id: 'paper', title: 'Paper', state: 'done', hold: 'open', openedAt: '2026-11-23T10:00:00Z', openedBy: 'Ada Marsh' },
    { ...phase, id: 'make-safe', title: 'Make safe', state: 'done', hold: 'waiting' },
    { ...phase, id: 'set', title: 'Set', state: 'ahead', hold: 'shut' },
  ]
  const gates = mount(Gates, { props: { phases } })
    .findAll('svg')
    .map((g) => g.attributes('aria-label'))
  expect(gates[0]).toMatch(/^Gate after Paper: Opened .* by Ada Marsh$/)
  expect(gates[1]).toBe('Gate after Make safe: Waiting to be opened')
  expect(gates).toHaveLength(2)
})
