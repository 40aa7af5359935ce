import { QueryClient, VueQueryPlugin } from '@tanstack/vue-query'
import { flushPromises, mount } from '@vue/test-utils'
import { readFileSync } from 'node:fs'
import { createPinia, setActivePinia } from 'pinia'
import PrimeVue from 'primevue/config'
import ToastService from 'primevue/toastservice'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import { type Component } from 'vue'
import { createMemoryHistory, createRouter } from 'vue-router'
import { Refused } from './api/client'
import DayPage from './day/DayPage.vue'
import InstrumentsPage from './instruments/InstrumentsPage.vue'
import ReckonerPage from './reckon/ReckonerPage.vue'
import BillImport from './sheet/BillImport.vue'
import PartsEditor from './sheet/PartsEditor.vue'
import RevisionList from './sheet/RevisionList.vue'
import { emptyUnit } from './sheet/newParts'
import type { UnitFile } from './units/unitFile'
import UnitsPage from './units/UnitsPage.vue'

type Answers = Record<string, unknown>

/** The server, where the pages end: answers by method and path, and what was sent there. */
function serve(answers: Answers) {
  const sent: { key: string; body: unknown }[] = []
  vi.stubGlobal('fetch', (path: string, init: { method: string; body?: string }) => {
    const key = `${init.method} ${path.split('?')[0]}`
    sent.push({ key, body: init.body ? (JSON.parse(init.body) as unknown) : undefined })
    const answer = answers[key]
    const refused = answer instanceof Refused
    const body = refused ? { title: answer.title, problems: answer.places } : answer
    return Promise.resolve(new Response(JSON.stringify(body ?? null), { status: refused ? answer.status : 200 }))
  })
  return sent
}

function show(page: Component, props: Record<string, unknown> = {}) {
  const router = createRouter({
    history: createMemoryHistory(),
    routes: [
      { path: '/:tag?/:all(.*)*', name: 'sheet', component: { template: '<i/>' } },
      { path: '/start/:tag', name: 'start', component: { template: '<i/>' } },
      { path: '/run/:tag/:id', name: 'run', component: { template: '<i/>' } },
      { path: '/upkeep/:tag', name: 'upkeep', component: { template: '<i/>' } },
    ],
  })
  const queryClient = new QueryClient({ defaultOptions: { queries: { retry: false } } })
  return mount(page, { props, global: { plugins: [createPinia(), PrimeVue, ToastService, router, [VueQueryPlugin, { queryClient }]] } })
}

beforeEach(() => {
  localStorage.clear()
  setActivePinia(createPinia())
})

describe('units', () => {
  const unit = {
    name: 'Lock gate',
    drawing: 'D-1 A',
    revision: 1,
    missing: 0,
    findings: 0,
    staffs: [],
    openRuns: [],
    openRunCount: 0,
    due: [],
    readable: true,
    unreadable: [],
  }
  it('shows nothing green of a sheet that can not be used, and every other unit', async () => {
    const why = 'Revision 1 of NH-04 is not as it was saved.'
    serve({
      'GET /api/units': [
        { ...unit, tag: 'LG-07' },
        { ...unit, tag: 'NH-04', readable: false, unreadable: [why] },
      ],
      'GET /api/changed-data': ['Instrument 2 (Canal 12): changed in the data file'],
      'GET /api/removed-units': [],
    })
    const page = show(UnitsPage)
    await flushPromises()
    const [sound, changed] = page.findAll('article')
    expect(sound?.text()).toContain('relations hold')
    expect(sound?.text()).toContain('Start a run')
    expect(changed?.text()).toContain(why)
    expect(changed?.text()).not.toContain('relations hold')
    expect(changed?.text()).not.toContain('Start a run')
    expect(page.text()).toContain('Instrument 2 (Canal 12): changed in the data file')
    await page.get('input[type=search]').setValue('not as it was saved')
    expect(page.findAll('article')).toHaveLength(1)
  })
})

describe('reckoner', () => {
  const calculators = [{ key: 'pump-flow', title: 'Pump', inputs: [{ key: 'speed', label: 'Speed', unit: 'rpm', value: 1465 }] }]
  it('shows the formula, keeps what is typed, and says what is refused beside it', async () => {
    const sent = serve({
      'GET /api/reckon': [{ ...calculators[0], key: 'cylinder-pressure' }],
      'POST /api/reckon/cylinder-pressure': {
        formula: 'Q = D n = 58.6 L/min',
        results: [{ key: 'flow', label: 'Flow', unit: 'L/min', value: 58.6123, fileUnit: 'L/min', fileValue: 58.6123 }],
      },
      'GET /api/units': [],
    })
    const page = show(ReckonerPage)
    await flushPromises()
    expect(page.get('.formula').text()).toContain('58.6')
    expect(page.get('.result').text()).toContain('58.61')
    const last = () => sent.filter((x) => x.key.startsWith('POST')).at(-1)?.body
    await page.get('input').setValue('1400,5')
    await flushPromises()
    expect(last()).toEqual({ speed: '1400,5' })
    expect(localStorage.getItem('reckoner-typed')).toContain('1400,5')
    serve({
      'GET /api/reckon': [{ ...calculators[0], key: 'cylinder-pressure' }],
      'POST /api/reckon/cylinder-pressure': new Refused('no', [{ path: 'speed', message: '"14O0" is not a number.' }], 400),
      'GET /api/units': [],
    })
    await page.get('input').setValue('14O0')
    await flushPromises()
    expect(page.get('[role=alert]').text()).toContain('"14O0" is not a number')
    expect(page.get('input').element.value).toBe('14O0')
  })
})

describe('instruments', () => {
  const gauge = {
    id: 4,
    name: 'Canal 15',
    kind: 'gauge',
    unit: 'psi',
    range: 5000,
    accuracyClass: 1.6,
    resolution: 50,
    calibrationDue: '2020-01-01',
    medium: 'oil',
    retired: false,
  }
  it('marks what has run out by sign and word, and keeps a form that was refused', async () => {
    const sent = serve({
      'GET /api/instruments': [gauge, { ...gauge, id: 5, name: 'Canal 16', calibrationDue: '2999-01-01' }],
      'PUT /api/instruments/4': new Refused('no', [{ path: 'range', message: 'range is out of range' }], 422),
    })
    const page = show(InstrumentsPage)
    await flushPromises()
    const rows = page.findAll('tbody tr').map((r) => r.text())
    expect(rows[0]).toContain('▲ ran out')
    expect(rows[1]).toContain('● valid')
    await page.get('[aria-label="Change Canal 15"]').trigger('click')
    await page.findAll('form input')[1]?.setValue('no number')
    await page.get('form').trigger('submit')
    await flushPromises()
    expect(sent.at(-1)?.body).toMatchObject({ range: null, name: 'Canal 15' })
    expect(page.get('form').text()).toContain('range is out of range')
    expect(page.findAll<HTMLInputElement>('form input')[1]?.element.value).toBe('no number')
  })
})

describe('bill of settings', () => {
  it('takes only the rows that change something, and only when asked', async () => {
    serve({
      'POST /api/units/X-1/bill': [
        { line: 2, setting: 'RV1', written: '170 bar', fate: 'changes', pressureBar: 170, toleranceBar: 3, why: '' },
        { line: 3, setting: 'RV2', written: '90 bar', fate: 'new', pressureBar: 90, toleranceBar: 0, why: '' },
        { line: 4, setting: 'RV9', written: '1 bar', fate: 'refused', pressureBar: 0, toleranceBar: 0, why: 'no such setting' },
      ],
    })
    const unit: UnitFile = { ...emptyUnit('X-1', 'x'), targets: [{ setting: 'RV1', pressureBar: 160 }] }
    const page = show(BillImport, { tag: 'X-1', modelValue: unit })
    const input = page.get<HTMLInputElement>('input[type=file]')
    Object.defineProperty(input.element, 'files', { value: [new File(['setting'], 'a.csv')] })
    await input.trigger('change')
    await flushPromises()
    await flushPromises()
    expect(page.text()).toContain('3 rows, 2 would change the sheet')
    expect(page.text()).toContain('▲ refused no such setting')
    expect(unit.targets).toHaveLength(1)
    await page
      .findAll('button')
      .find((b) => b.text().startsWith('Take them'))
      ?.trigger('click')
    expect(unit.targets).toEqual([
      { setting: 'RV1', pressureBar: 170, toleranceBar: 3 },
      { setting: 'RV2', pressureBar: 90 },
    ])
  })
})

describe('revisions', () => {
  it('names what a revision changed, place by place', async () => {
    const document = (bar: number) => ({ targets: [{ setting: 'RV1', pressureBar: bar }] })
    serve({
      'GET /api/units/X-1/revisions': [
        { revision: 2, savedAt: '2026-11-20T10:00:00Z', savedBy: 'Ann', complete: false },
        { revision: 1, savedAt: '2026-11-19T10:00:00Z', savedBy: '', complete: true },
      ],
      'GET /api/units/X-1/revisions/2': { document: document(170) },
      'GET /api/units/X-1/revisions/1': { document: document(160) },
    })
    const page = show(RevisionList, { tag: 'X-1' })
    await flushPromises()
    await flushPromises()
    expect(page.get('[role=listbox]').text()).toContain('▲ not complete')
    expect(page.get('tbody').text()).toBe('targets › RV1 › pressureBar160170')
  })
})

describe('parts', () => {
  it('follows the schematic, counts what is missing where, and adds parts with their defaults marked', async () => {
    const schema = JSON.parse(readFileSync('../core/src/main/resources/earlygate/unit/file/unit-1.schema.json', 'utf8')) as unknown
    serve({ 'GET /api/unit-schema': schema })
    const unit = emptyUnit('X-1', 'x')
    unit.components.push({ id: 'P1', type: 'pump', outlet: 'P' })
    const page = show(PartsEditor, {
      unit,
      unconfirmed: [],
      chosen: '',
      problems: [{ path: 'components[0].driver', message: '"driver" is missing. Add it.' }],
      'onUpdate:unconfirmed': (list: string[]) => void page.setProps({ unconfirmed: list }),
    })
    await flushPromises()
    const chapters = page.findAll('[role=option]')
    expect(
      chapters.map((c) =>
        c
          .text()
          .replace(/[^A-Za-z ]/g, '')
          .trim(),
      ),
    ).toEqual([
      'Unit and oil',
      'Lines',
      'Prime movers',
      'Pumps and controls',
      'Pump line valves',
      'Branches',
      'Actuators',
      'Test points',
      'Targets',
      'Work',
    ])
    expect(chapters[3]?.text()).toContain('▲ 1')
    await chapters[2]?.trigger('click')
    await page
      .findAll('button')
      .find((b) => b.text() === 'Add engine')
      ?.trigger('click')
    expect(unit.components.at(-1)).toMatchObject({ id: 'E1', type: 'engine' })
    expect(page.props('unconfirmed')).toContain('components.E1.ratedPowerKw')
    await page
      .findAll('button')
      .find((b) => b.text() === 'Take out')
      ?.trigger('click')
    expect(unit.components.map((c) => c.id)).toEqual(['P1'])
    expect(page.props('unconfirmed')).toEqual([])
  })
})

describe('day', () => {
  it('shows who does what when, what is left out and why', async () => {
    const at = (clock: string) => `2027-03-08T${clock}:00`
    serve({
      'GET /api/units': [
        { tag: 'LG-07', missing: 0, readable: true },
        { tag: 'XX-01', missing: 3 },
      ],
      'POST /api/days': {
        entries: [
          {
            tag: 'LG-07',
            name: 'gate',
            technician: 1,
            start: at('07:00'),
            end: at('09:26'),
            partner: [{ from: at('08:40'), to: at('09:05') }],
            instruments: ['Canal 11'],
          },
        ],
        done: at('09:26'),
        leftOut: [{ tag: 'DR-09', message: 'no load' }],
      },
    })
    const page = show(DayPage)
    await flushPromises()
    expect(page.text()).toContain('Choose the units')
    expect(page.findAll('input[type=checkbox]')[1]?.attributes('disabled')).toBeDefined()
    await page.get('input[type=checkbox]').setValue(true)
    await flushPromises()
    expect(page.get('tbody').text()).toContain('partner 08:40 to 09:05')
    expect(page.text()).toContain('All done at 09:26')
    expect(page.get('.out').text()).toContain('DR-09 is left out')
  })
})
