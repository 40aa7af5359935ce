import { describe, expect, it, vi } from 'vitest'
import { call, callText } from './client'

describe('the way to the server', () => {
  it('says what was refused, with its places, and what could not be reached', async () => {
    const problem = JSON.stringify({ title: 'no', problems: [{ path: 'a', message: 'b' }] })
    vi.stubGlobal('fetch', () => Promise.resolve(new Response(problem, { status: 422 })))
    await expect(call('POST', '/api/x', {})).rejects.toMatchObject({ title: 'no', status: 422, places: [{ path: 'a', message: 'b' }] })
    vi.stubGlobal('fetch', () => Promise.reject(new Error('down')))
    await expect(callText('GET', '/api/x')).rejects.toMatchObject({ status: 0, offline: true })
    vi.stubGlobal('fetch', () => Promise.resolve(new Response('<html>', { status: 502 })))
    await expect(call('GET', '/api/x')).rejects.toMatchObject({ title: 'The server answered 502' })
  })
})
