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

export async function call<T>(method: string, path: string, body?: unknown): Promise<T> {
  return (await (await answer(method, path, body)).json()) as T
}

/** For answers that are no JSON. */
export async function callText(method: string, path: string, body?: unknown): Promise<string> {
  return (await answer(method, path, body)).text()
}

async function answer(method: string, path: string, body: unknown): Promise<Response> {
  const text = typeof body === 'string' ? body : JSON.stringify(body)
  let response: Response
  try {
    response = await fetch(path, {
      method,
      headers: body === undefined ? {} : { 'Content-Type': 'application/json' },
      ...(body === undefined ? {} : { body: text }),
    })
  } catch {
    throw new Refused('The server can’t be reached. What you typed stays here.', [], 0)
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
    return new Refused(problem.title ?? 'Refused', places, response.status)
  } catch {
    return new Refused(`The server answered ${response.status}`, [], response.status)
  }
}

export function asRefused(error: unknown): Refused {
  return error instanceof Refused ? error : new Refused(String(error), [], -1)
}
