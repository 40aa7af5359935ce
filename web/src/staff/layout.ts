/** Moves labels apart along one axis: each as near its wish as the others let it, in the same order. */
export function spread(wishes: number[], apart: number, low: number, high: number): number[] {
  const order = wishes.map((w, i) => ({ w, i })).sort((a, b) => a.w - b.w)
  const at: number[] = []
  for (const { w } of order) {
    const previous = at[at.length - 1]
    at.push(Math.max(w, low, previous === undefined ? low : previous + apart))
  }
  let limit = high
  for (let k = at.length - 1; k >= 0; k--) {
    at[k] = Math.min(at[k] ?? limit, limit)
    limit = (at[k] ?? limit) - apart
  }
  const result: number[] = []
  order.forEach(({ i }, k) => {
    result[i] = at[k] ?? 0
  })
  return result
}

/** A step of 1, 2 or 5 times a power of ten that gives about `count` graduations up to `top`. */
export function graduation(top: number, count: number): number {
  const raw = top / count
  const power = 10 ** Math.floor(Math.log10(raw))
  return ([1, 2, 5, 10].find((m) => m * power >= raw) ?? 10) * power
}
