import { QueryClient, VueQueryPlugin } from '@tanstack/vue-query'
import { flushPromises, mount } from '@vue/test-utils'
import { createPinia } from 'pinia'
import { afterEach, beforeEach, expect, it, vi } from 'vitest'
import { defineComponent, h } from 'vue'
import type { useRun as UseRun } from './useRun'

/** The browser's database, which outlives a page. */
const disk = vi.hoisted(() => new Map<string, unknown>())
vi.mock('idb-keyval', () => ({
  get: (key: string) => Promise.resolve(disk.get(key)),
  update: (key: string, change: (old: unknown) => unknown) => Promise.resolve(void disk.set(key, change(disk.get(key)))),
}))

// Files share a run's modules: one that another file has loaded has no mocked database.
vi.resetModules()
const { useRun } = await import('./useRun')

let run: ReturnType<typeof UseRun>

async function open() {
  const Host = defineComponent({
    setup() {
      run = useRun('7')
      return () => h('div')
    },
  })
  const page = mount(Host, { global: { plugins: [createPinia(), [VueQueryPlugin, { queryClient: new QueryClient() }]] } })
  await flushPromises()
  await vi.waitFor(() => expect(run.run.value?.uuid).toBe('u-7'))
  return page
}

/** A server that answers as told, and keeps what it took by its key. */
function serve(answer: () => Response | undefined) {
  const taken = new Map<string, unknown>()
  const asked: string[] = []
  vi.stubGlobal('fetch', (_: string, init: RequestInit) => {
    if (init.method !== 'POST') return Promise.resolve(new Response('{"uuid":"u-7","seq":0}'))
    const body = JSON.parse(String(init.body)) as { key: string }
    asked.push(body.key)
    const said = answer()
    if (!said) return Promise.reject(new TypeError('no network'))
    if (said.status < 300) taken.set(body.key, body)
    return Promise.resolve(said)
  })
  return { taken, asked }
}

const OK = () => new Response('{"uuid":"u-7","seq":1}')
const reading = { kind: 'reading', step: 's7', instrument: 'G1', text: '0,3' }

beforeEach(() => disk.clear())
afterEach(() => vi.unstubAllGlobals())

it.each([
  ['no network', () => undefined],
  ['503', () => new Response('down', { status: 503 })],
  ['500', () => new Response('{"title":"Oops"}', { status: 500 })],
  ['408', () => new Response('', { status: 408 })],
  ['429', () => new Response('', { status: 429 })],
  ['an answer that can’t be read', () => new Response('<html>')],
])('keeps an entry over %s and over a reload, and delivers it once under the same key', async (_, bad) => {
  let up = false
  const server = serve(() => (up ? OK() : bad()))
  const first = await open()
  expect(await run.send(reading)).toBeUndefined()
  expect(run.waiting.value).toHaveLength(1)
  const key = server.asked[0]
  first.unmount()
  up = true
  const second = await open()
  await vi.waitFor(() => expect(run.waiting.value).toHaveLength(0))
  expect([...server.taken.keys()]).toEqual([key])
  expect(await run.send({ kind: 'step-done', step: 's7' })).toBe(true)
  expect(server.taken.size).toBe(2)
  second.unmount()
})

it('shows a refusal, does not send it again, and goes on with the next', async () => {
  const problem = { title: 'No', problems: [{ path: 'reading', message: 'is not a number' }] }
  let good = false
  const server = serve(() => (good ? OK() : new Response(JSON.stringify(problem), { status: 422 })))
  const page = await open()
  expect(await run.send({ ...reading, text: 'x' })).toBe(false)
  expect(run.refused.value?.places[0]?.message).toBe('is not a number')
  expect(run.waiting.value).toEqual([])
  good = true
  expect(await run.send(reading)).toBe(true)
  expect(server.taken.size).toBe(1)
  page.unmount()
})

it('two tabs on one run lose and double nothing', async () => {
  const server = serve(OK)
  const first = await open()
  const one = run
  const second = await open()
  const two = run
  await Promise.all([one.send(reading), two.send(reading), one.send(reading), two.send(reading)])
  await vi.waitFor(() => expect(server.taken.size).toBe(4))
  expect(disk.get('outbox-u-7')).toEqual([])
  first.unmount()
  second.unmount()
})

it('looks again when somebody else has gone on, and after a conflict', async () => {
  let reads = 0
  let conflict = false
  vi.stubGlobal('fetch', (_: string, init: RequestInit) => {
    if (init.method !== 'POST') {
      reads++
      return Promise.resolve(new Response('{"uuid":"u-7","seq":3}'))
    }
    return Promise.resolve(conflict ? new Response('{"title":"Elsewhere"}', { status: 409 }) : OK())
  })
  const page = await open()
  run.seen(3)
  await flushPromises()
  expect(reads).toBe(1)
  run.seen(4)
  await vi.waitFor(() => expect(reads).toBe(2))
  conflict = true
  expect(await run.send(reading)).toBe(false)
  await vi.waitFor(() => expect(reads).toBe(3))
  page.unmount()
})

it('a slow look at the run is awaited however often the stream speaks, and never undoes a newer answer', async () => {
  const looks: ((seq: number) => void)[] = []
  let seq = 0
  vi.stubGlobal('fetch', (_: string, init: RequestInit) => {
    const view = (n: number) => new Response(`{"uuid":"u-7","seq":${n}}`)
    if (init.method === 'POST') return Promise.resolve(view(++seq))
    return looks.length ? new Promise<Response>((ok) => looks.push((n) => ok(view(n)))) : (looks.push(() => {}), Promise.resolve(view(0)))
  })
  const page = await open()
  run.seen(1)
  run.seen(1)
  run.seen(1)
  await flushPromises()
  expect(looks).toHaveLength(2)
  seq = 1
  expect(await run.send(reading)).toBe(true)
  expect(run.run.value?.seq).toBe(2)
  looks[1]?.(1)
  await flushPromises()
  expect(run.run.value?.seq).toBe(2)
  page.unmount()
})

it('keeps an entry over a pause: whoever goes on goes before it, then it is delivered', async () => {
  let paused = true
  const kinds: string[] = []
  vi.stubGlobal('fetch', (_: string, init: RequestInit) => {
    if (init.method !== 'POST') return Promise.resolve(new Response('{"uuid":"u-7","seq":0}'))
    const { kind } = JSON.parse(String(init.body)) as { kind: string }
    if (kind === 'went-on') paused = false
    else if (paused) return Promise.resolve(new Response('{"title":"The run is paused"}', { status: 425 }))
    kinds.push(kind)
    return Promise.resolve(OK())
  })
  const page = await open()
  expect(await run.send(reading)).toBeUndefined()
  expect(run.stopped.value?.message).toContain('The run is paused')
  await run.goOn()
  expect(kinds).toEqual(['went-on', 'reading'])
  expect(run.waiting.value).toHaveLength(0)
  expect(run.refused.value).toBeNull()
  page.unmount()
})
