import { mount } from '@vue/test-utils'
import { createPinia, setActivePinia } from 'pinia'
import PrimeVue from 'primevue/config'
import Select from 'primevue/select'
import Slider from 'primevue/slider'
import { beforeEach, describe, expect, it } from 'vitest'
import { nextTick } from 'vue'
import SchoolTable from '../plan/SchoolTable.vue'
import { useDisplay } from '../display/display'
import type { UnitFile } from '../units/unitFile'
import ClashPanel from './ClashPanel.vue'
import { changes } from './changes'
import { keepDraft, keptDraft } from './draft'
import EntryForm from './EntryForm.vue'
import Findings from './Findings.vue'
import NumberField from './NumberField.vue'
import PositionsField from './PositionsField.vue'
import SituationBar from './SituationBar.vue'
import TargetTable from './TargetTable.vue'
import { AT_REST, situationOf } from './useSheet'

const unit = (): UnitFile => ({
  tag: 'X-1',
  name: 'x',
  fluid: {},
  lines: [{ id: 'P', ratingBar: 250 }],
  components: [
    { id: 'E1', type: 'engine', speedsRpm: { lowIdle: 900, mid: 1500, highIdle: 2200 }, ratedPowerKw: 50 },
    { id: 'P1', type: 'pump', driver: 'E1', inlet: 'T', outlet: 'P', compensator: { settingBar: 150 }, loadSense: { marginBar: 20 } },
    { id: 'RV1', type: 'relief-valve', inlet: 'P', outlet: 'T', settingBar: 170, vent: true },
    { id: 'S1', type: 'section', supply: 'P' },
    { id: 'TV1', type: 'throttle', a: 'P', b: 'T', purpose: 'load' },
  ],
  targets: [{ setting: 'RV1', pressureBar: 180 }],
})
const pinia = createPinia()
const global = { plugins: [pinia, PrimeVue] }

beforeEach(() => {
  localStorage.clear()
  setActivePinia(pinia)
  useDisplay().pressure = 'bar'
})

describe('what if', () => {
  it('puts settings at target, engines at their middle speed, and what the bar says', () => {
    const s = situationOf(unit(), { ...AT_REST, stopped: ['E1'], positions: { S1: 'a' }, vented: ['RV1'] })
    expect(s).toMatchObject({
      drivers: { E1: { running: false, speedRpm: 1500 } },
      settings: { RV1: 180 },
      positions: { S1: 'a' },
      vented: ['RV1'],
      oilC: 50,
    })
  })
  it('offers what a technician can do to this machine, and nothing else', async () => {
    const marked = unit()
    Object.assign(marked.components.find((c) => c.id === 'S1') ?? {}, { positionNames: { a: 'haul in' } })
    const page = mount(SituationBar, {
      props: { unit: marked, modelValue: { ...AT_REST, openings: {}, positions: {}, speeds: {} } },
      global,
    })
    const selects = page.findAllComponents(Select)
    expect(selects.map((x) => x.props('ariaLabel'))).toEqual(['Speed of E1', 'Position of S1'])
    const labels = (selects[1]?.props('options') as { label: string }[]).map((o) => o.label)
    expect(labels).toEqual(['neutral', 'haul in', 'b'])
    await selects[1]?.setValue('b')
    await page.getComponent(Slider).setValue(40)
    expect(page.props('modelValue')).toMatchObject({ positions: { S1: 'b' }, openings: { TV1: 0.4 } })
    expect(page.text()).toContain('RV1 vented')
    expect(page.text()).not.toContain('A ·')
  })
})

describe('number field', () => {
  it('shows and takes pressures in the unit that is chosen, slopes as well', async () => {
    const page = mount(NumberField, { props: { label: 'x', value: 45, unit: 'bar/turn' }, global })
    expect(page.text()).toContain('bar/turn')
    useDisplay().pressure = 'psi'
    await nextTick()
    expect(page.get('input').element.value).toBe('653')
    expect(page.text()).toContain('psi/turn')
    await page.get('input').setValue('725,2')
    const sent = page.emitted('change')?.at(-1)?.[0] as number
    expect(sent).toBeCloseTo(50, 2)
    await page.get('input').setValue('')
    expect(page.emitted('change')?.at(-1)).toEqual([undefined])
  })
  it('keeps the decimals that the file has', () => {
    const page = mount(NumberField, { props: { label: 'x', value: 0.25, unit: 'bar' }, global })
    expect(page.get('input').element.value).toBe('0.25')
  })
})

describe('forms', () => {
  it('marks a default until it is confirmed or changed', async () => {
    const fields = [
      { key: 'settingBar', label: 'Stands at', kind: 'number' as const, required: true, unit: 'bar', choices: [], fields: [] },
      { key: 'inlet', label: 'Inlet', kind: 'line' as const, required: true, unit: '', choices: [], fields: [] },
    ]
    const page = mount(EntryForm, {
      props: {
        unit: unit(),
        entry: { settingBar: 170, inlet: 'P' },
        fields,
        path: 'components.RV1',
        unconfirmed: ['components.RV1.settingBar'],
        wrong: { inlet: 'no such line' },
      },
      global,
    })
    expect(page.find('.unsure').exists()).toBe(true)
    expect(page.get('[role=alert]').text()).toBe('no such line')
    await page.get('button.confirm').trigger('click')
    expect(page.emitted('confirm')).toEqual([['components.RV1.settingBar']])
    await page.getComponent(Select).setValue('T')
    expect(page.emitted('change')).toEqual([['inlet', 'T']])
  })
  it('reads the ways of a valve as they are written', async () => {
    const page = mount(PositionsField, { props: { value: { centre: [], east: [['P', 'X']] } }, global })
    await page.findAll('input')[3]?.setValue('P>X Y>T, junk')
    await page.findAll('input')[3]?.trigger('change')
    expect(page.emitted('change')?.at(-1)).toEqual([
      {
        centre: [],
        east: [
          ['P', 'X'],
          ['Y', 'T'],
        ],
      },
    ])
  })
})

describe('target sheet', () => {
  const targets = {
    settings: [
      {
        setting: 'RV1',
        pressureBar: 180,
        toleranceBar: 4,
        defined: 'cracking',
        derived: false,
        from: '',
        trouble: '',
        reads: [{ testPoint: 'G1', value: 180, low: 176, high: 184, reads: 'bar', raised: ['P1.compensator'], situation: {} }],
      },
      {
        setting: 'P1.compensator',
        pressureBar: 156,
        toleranceBar: 3,
        defined: 'cracking',
        derived: true,
        from: 'From the work',
        trouble: 'No fitted gauge shows it',
        reads: [],
      },
    ],
    missing: ['P1.loadSense'],
    points: [
      {
        kind: 'work',
        subject: 'W1',
        line: 'P',
        pressureBar: 142,
        flowLpm: 30,
        askedLpm: 38,
        drives: [{ driver: 'E1', speedRpm: 1480, powerKw: 12, currentA: 0, load: 0.24 }],
      },
    ],
  }
  it('says what each gauge must show, with what raised, what is derived, missing and short', async () => {
    const model = unit()
    const page = mount(TargetTable, { props: { modelValue: model, measured: {}, targets }, global })
    expect(page.text()).toContain('P1 compensator raised')
    expect(page.text()).toContain('derived: From the work')
    expect(page.text()).toContain('No target, and nothing on the sheet to derive one from: P1 load sense')
    expect(page.text()).toContain('▲ short')
    expect(page.text()).toContain('No fitted gauge shows it')
    await page.get('.derived button').trigger('click')
    expect(model.targets?.at(-1)).toMatchObject({ setting: 'P1.compensator', pressureBar: 156 })
  })
  it('takes a standby as it was measured', async () => {
    const page = mount(TargetTable, { props: { modelValue: unit(), measured: {}, targets }, global })
    await page.get('[aria-label="Standby of P1 as measured"]').setValue('23.5')
    expect(page.emitted('update:measured')?.at(-1)).toEqual([{ 'P1.loadSense': 23.5 }])
  })
})

describe('two people', () => {
  it('shows both and leaves what I leave to them', async () => {
    const base = unit()
    const mine = unit()
    const theirs = unit()
    Object.assign(mine.targets?.[0] ?? {}, { pressureBar: 175 })
    Object.assign(theirs.targets?.[0] ?? {}, { pressureBar: 190 })
    const a = changes(base, mine)
    const b = changes(base, theirs)
    const clash = { theirs: { savedBy: 'Ann', revision: 4 } as never, mine: a, others: b, both: [{ mine: a[0], theirs: b[0] }] as never }
    const page = mount(ClashPanel, { props: { clash }, global })
    expect(page.text()).toContain('Ann saved revision 4')
    expect(page.text()).toContain('180 → 175')
    await page.findAll('input[type=radio]')[1]?.trigger('change')
    await page.get('button').trigger('click')
    expect(page.emitted('merge')?.[0]?.[0]).toEqual([a[0]])
  })
  it('keeps a draft in the browser until it is saved', () => {
    keepDraft('X-1', { base: 2, document: unit(), unconfirmed: ['a'] })
    expect(keptDraft('X-1')?.base).toBe(2)
    keepDraft('X-1', undefined)
    expect(keptDraft('X-1')).toBeUndefined()
  })
})

describe('findings', () => {
  const finding = { rule: 'L13', severity: 'stop', setting: 'RV1', message: 'higher', figures: {}, fingerprint: 'now', release: true }
  it('says who let one stand and why, and no longer offers it', () => {
    const stands = { ...finding, acceptedAs: 'then' }
    const accepted = [{ fingerprint: 'then', reason: 'asked by the keeper', by: 'Ann', releasedBy: 'Ben', at: '' }]
    const page = mount(Findings, { props: { findings: [stands], tag: 'X-1', accepted }, global })
    expect(page.text()).toContain('Let stand by Ann, released by Ben: asked by the keeper')
    expect(page.text()).not.toContain('Let it stand')
  })
  it('asks for a second person above the schematic', async () => {
    const page = mount(Findings, { props: { findings: [finding], tag: 'X-1', accepted: [] }, global })
    await page.get('button').trigger('click')
    expect(page.findAll('form input')).toHaveLength(3)
  })
})

describe('schools', () => {
  it('shows what each costs and why one is refused', async () => {
    const row = { peakMotorLoad: 0.8, heatKj: 5300, tankRiseC: 6.5, unprotectedS: 1080, moves: 8, minutes: 140 }
    const comparison = [
      { school: 'lead-with-pump', ...row },
      { school: 'lead-with-relief', ...row, refused: 'M1 would carry 106 %' },
      { school: 'side-by-side', ...row, moves: 14, unprotectedS: 0 },
    ]
    const page = mount(SchoolTable, { props: { comparison, planned: 'lead-with-pump', modelValue: 'auto' }, global })
    const rows = page.findAll('tbody tr').map((r) => r.text())
    expect(rows[0]).toContain('18 min')
    expect(rows[1]).toContain('refused: M1 would carry 106 %')
    expect(rows[2]).toContain('none')
    expect(page.findAll('button')[1]?.attributes('disabled')).toBeDefined()
    await page.findAll('button')[2]?.trigger('click')
    expect(page.emitted('update:modelValue')).toEqual([['side-by-side']])
  })
})
