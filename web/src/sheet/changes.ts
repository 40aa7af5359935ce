/** What makes two versions of a sheet different, place by place; lists are matched by the id or setting of their entries. */
export interface Change {
  path: string[]
  before: unknown
  after: unknown
}

type Json = Record<string, unknown>

function isObject(x: unknown): x is Json {
  return typeof x === 'object' && x !== null && !Array.isArray(x)
}

function keyOf(x: unknown): string | undefined {
  if (!isObject(x)) return undefined
  return typeof x.id === 'string' ? x.id : typeof x.setting === 'string' ? x.setting : undefined
}

/** A list whose entries can be told apart by name. */
function byKey(x: unknown): Map<string, unknown> | undefined {
  if (!Array.isArray(x)) return undefined
  const map = new Map<string, unknown>()
  for (const entry of x as unknown[]) {
    const key = keyOf(entry)
    if (key === undefined || map.has(key)) return undefined
    map.set(key, entry)
  }
  return map
}

export function changes(before: unknown, after: unknown, path: string[] = []): Change[] {
  if (JSON.stringify(before) === JSON.stringify(after)) return []
  const a = isObject(before) ? new Map(Object.entries(before)) : byKey(before)
  const b = isObject(after) ? new Map(Object.entries(after)) : byKey(after)
  if (!a || !b || isObject(before) !== isObject(after)) return [{ path, before, after }]
  const keys = [...new Set([...a.keys(), ...b.keys()])]
  return keys.flatMap((key) =>
    a.has(key) && b.has(key)
      ? changes(a.get(key), b.get(key), [...path, key])
      : [{ path: [...path, key], before: a.get(key), after: b.get(key) }],
  )
}

/** Makes a change in a document of the same shape; a new entry goes to the end of its list. */
export function apply(document: Json, change: Change): void {
  let at: unknown = document
  for (const key of change.path.slice(0, -1)) {
    const next: unknown = Array.isArray(at) ? (at as unknown[]).find((e) => keyOf(e) === key) : isObject(at) ? (at[key] ??= {}) : undefined
    if (next === undefined) return
    at = next
  }
  const last = change.path[change.path.length - 1] ?? ''
  if (Array.isArray(at)) {
    const list = at as unknown[]
    const i = list.findIndex((e) => keyOf(e) === last)
    if (change.after === undefined) {
      if (i >= 0) list.splice(i, 1)
    } else if (i >= 0) list[i] = change.after
    else list.push(change.after)
  } else if (isObject(at)) {
    if (change.after === undefined) Reflect.deleteProperty(at, last)
    else at[last] = change.after
  }
}

/** Where both went away from the same base to different ends, one place inside the other counting as the same. */
export function conflicts(mine: Change[], theirs: Change[]): { mine: Change; theirs: Change }[] {
  return mine.flatMap((m) =>
    theirs
      .filter((t) => inside(m.path, t.path) || inside(t.path, m.path))
      .filter((t) => JSON.stringify(m.after) !== JSON.stringify(t.after))
      .map((t) => ({ mine: m, theirs: t })),
  )
}

function inside(a: string[], b: string[]): boolean {
  return a.length <= b.length && a.every((key, i) => key === b[i])
}

export function place(change: Change): string {
  return change.path.join(' › ')
}

export function shown(value: unknown): string {
  if (value === undefined) return 'nothing'
  return typeof value === 'string' ? value : JSON.stringify(value)
}
