import { say } from '../words'
import type { components } from './schema'

export type Schema = components['schemas']

export interface Place {
  path: string
  message: string
}

/** What the server refused, with the places and reasons it gave; `offline` when it could not be reached at all. */
export class Refused extends Error {
  constructor(
    readonly title: string,
    readonly places: Place[],
    readonly status: number,
  ) {
    super(places[0]?.message || title)
  }

  get offline() {
    return this.status === 0
  }
}

/** @param body JSON, text, or a file as it is; @param once the same call sent again after a lost answer is done only once; @param signal where nobody waits any more */
export async function call<T>(method: string, path: string, body?: unknown, once = body instanceof Blob, signal?: AbortSignal): Promise<T> {
  if (!once) return (await (await answer(method, path, body, undefined, signal)).json()) as T
  const key = Array.from(crypto.getRandomValues(new Uint8Array(12)), (b) => b.toString(16).padStart(2, '0')).join('')
  try {
    return (await (await answer(method, path, body, key)).json()) as T
  } catch (e) {
    // An answer that was lost on the way: asked once more under the same key, it meets itself.
    if (asRefused(e).status > 0) throw e
    return (await (await answer(method, path, body, key)).json()) as T
  }
}

/** For answers that are files. */
export async function callBlob(method: string, path: string, body?: unknown): Promise<Blob> {
  return (await answer(method, path, body)).blob()
}

/** For answers that are no JSON. */
export async function callText(method: string, path: string, body?: unknown): Promise<string> {
  return (await answer(method, path, body)).text()
}

async function answer(method: string, path: string, body: unknown, key?: string, signal?: AbortSignal): Promise<Response> {
  const file = body instanceof Blob
  const sent = typeof body === 'string' || file ? body : JSON.stringify(body)
  const type = file ? 'application/octet-stream' : 'application/json'
  let response: Response
  try {
    response = await fetch(path, {
      method,
      headers: { ...(body === undefined ? {} : { 'Content-Type': type }), ...(key ? { 'Idempotency-Key': key } : {}) },
      ...(body === undefined ? {} : { body: sent }),
      ...(signal ? { signal } : {}),
    })
  } catch {
    throw new Refused(say('api.client.the-server-can-t'), [], 0)
  }
  if (!response.ok) {
    throw await refusal(response)
  }
  return response
}

async function refusal(response: Response): Promise<Refused> {
  try {
    const problem = (await response.json()) as { title?: string; detail?: string; problems?: Place[] }
    const places = problem.problems?.length ? problem.problems : [{ path: '', message: problem.detail ?? '' }]
    return new Refused(problem.title ?? say('api.client.refused'), places, response.status)
  } catch {
    return new Refused(say('api.client.the-server-answered', response.status), [], response.status)
  }
}

export function asRefused(error: unknown): Refused {
  return error instanceof Refused ? error : new Refused(String(error), [], -1)
}
