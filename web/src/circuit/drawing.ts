import type { UnitComponent } from '../units/unitFile'

/**
 * Lines are level rails, the pump's lowest; every part stands upright between the rails it ties, tank symbols hang where
 * oil goes home, prime movers and pumps stand below. A part goes as far left as leaves all others and their names clear.
 */
export interface Drawing {
  /** where the picture begins, negative where a part stands over the highest rail */
  top: number
  width: number
  height: number
  rails: Rail[]
  parts: Part[]
  gauges: { id: string; line: string; x: number; y: number; wire: Wire }[]
  shafts: { x1: number; x2: number; y: number }[]
}

export interface Rail {
  line: string
  y: number
  x1: number
  x2: number
  /** as far as signals reach beyond the parts that oil flows through */
  thinX1: number
  thinX2: number
}

/** A vertical piece from a part to its rail. */
export interface Wire {
  line: string
  x: number
  y1: number
  y2: number
  thin: boolean
}

export interface Part {
  component: UnitComponent
  x: number
  y: number
  /** oil goes upwards through it */
  up: boolean
  wires: Wire[]
  tanks: { x: number; y: number }[]
  /** of a box: where each port leaves it, by line */
  leads: Record<string, { x: number; top: boolean }>
}

export interface Rect {
  x1: number
  y1: number
  x2: number
  y2: number
}

export function wire(line: string, x: number, y1: number, y2: number): Wire {
  return { line, x, y1, y2, thin: false }
}

export function rect(x1: number, y1: number, x2: number, y2: number): Rect {
  return { x1, y1, x2, y2 }
}

export function overlap(a: Rect, b: Rect): boolean {
  return a.x1 < b.x2 && b.x1 < a.x2 && a.y1 < b.y2 && b.y1 < a.y2
}
