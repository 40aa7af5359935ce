import type { UnitComponent } from '../units/unitFile'

/** A valve that stands in one of several positions, each tying pairs of lines. */
export interface Lever {
  rest: string
  positions: Record<string, [string, string][]>
}

export function directional(c: UnitComponent): Lever {
  const positions = (c.positions ?? {}) as Lever['positions']
  return { rest: String(c.start ?? Object.keys(positions)[0] ?? ''), positions }
}

/** A section's positions in the order in which its lever passes them. */
export function section(c: UnitComponent): Lever {
  const [supply, back, a, b] = [c.supply, c.return, c.portA, c.portB].map((line) => String(line ?? ''))
  return {
    rest: 'neutral',
    positions: {
      a: [
        [supply, a],
        [b, back],
      ],
      neutral: [],
      b: [
        [supply, b],
        [a, back],
      ],
    } as Lever['positions'],
  }
}

/** A position as its lever is marked. */
export function positionWord(c: UnitComponent | undefined, position: string): string {
  return (c?.positionNames as Record<string, string> | undefined)?.[position] ?? position
}
