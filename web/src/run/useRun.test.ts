import { QueryClient, VueQueryPlugin } from '@tanstack/vue-query'
import { mount } from '@vue/test-utils'
import { createPinia } from 'pinia'
import { afterEach, beforeEach, expect, it, vi } from 'vitest'
import { defineComponent, h } from 'vue'
import { useRun } from './useRun'

let run: ReturnType<typeof useRun>

function open() {
  const Host = defineComponent({
    setup() {
      run = useRun('7')
      return () => h('div')
    },
  })
  return mount(Host, { global: { plugins: [createPinia(), [VueQueryPlugin, { queryClient: new QueryClient() }]] } })
}

beforeEach(() => localStorage.clear())
afterEach(() => vi.unstubAllGlobals())

it('keeps what the network lost and delivers it once, under the same key', async () => {
  const sent: { key: string; text: string }[] = []
  let up = false
  vi.stubGlobal('fetch', (_: string, init: RequestInit) => {
    if (init.method !== 'POST') return Promise.resolve(new Response('{}'))
    if (!up) return Promise.reject(new TypeError('no network'))
    sent.push(JSON.parse(String(init.body)) as { key: string; text: string })
    return Promise.resolve(new Response('{"seq":1}'))
  })
  const first = open()
  expect(await run.send({ kind: 'reading', step: 's7', instrument: 'G1', text: '0,3' })).toBe(false)
  expect(run.offline.value).toBe(true)
  const kept = JSON.parse(localStorage.getItem('queue-7') ?? '[]') as { key: string }[]
  first.unmount()
  up = true
  const second = open()
  expect(await run.send({ kind: 'step-done', step: 's7' })).toBe(true)
  expect(sent.map((e) => e.text)).toEqual(['0,3', undefined])
  expect(sent[0]?.key).toBe(kept[0]?.key)
  expect(localStorage.getItem('queue-7')).toBe('[]')
  second.unmount()
})

it('shows a refusal and does not send it again', async () => {
  const problem = { title: 'No', problems: [{ path: 'reading', message: 'is not a number' }] }
  vi.stubGlobal('fetch', () => Promise.resolve(new Response(JSON.stringify(problem), { status: 422 })))
  const page = open()
  expect(await run.send({ kind: 'reading', step: 's7', instrument: 'G1', text: 'x' })).toBe(false)
  expect(run.refused.value?.places[0]?.message).toBe('is not a number')
  expect(run.queue.value).toEqual([])
  page.unmount()
})
