import type { Component } from 'vue'
import type { UnitComponent } from '../units/unitFile'
import type { Lever } from './levers'

/** Where a part is tied to a line; thin ones only carry a signal or a drain. */
export interface Port {
  line: string
  thin: boolean
}

/** What can be said beside a symbol; figures come from the model, pressures in the unit that was chosen. */
export interface Said {
  /** the target of a setting, else how it stands */
  asked: (setting: string, present: unknown) => string
  flow: (id: string) => string
  open: (id: string) => string
  pressure: (bar: number) => string
  power: (kw: unknown) => string
  position: (id: string) => string | undefined
}

/** In the order in which a schematic is read. */
export type Chapter = 'movers' | 'pumps' | 'pump-line' | 'branches' | 'actuators'

/** All that the screens know of a kind of component. */
export interface Kind {
  chapter: Chapter
  symbol: Component
  /** in the order flow goes through it, thin ones last */
  ports: (c: UnitComponent) => Port[]
  /** how far its symbol reaches to either side, where it isn't the ordinary width */
  reach?: { left: number; right: number }
  /** drawn with ports above and below, since it has more than a way in and a way out */
  box?: true
  /** turned over where flow goes upward through it */
  turns?: true
  /** stands beside its line instead of between it and the tank */
  upright?: true
  drives?: true
  /** its symbol shows whether oil goes through it */
  opens?: true
  lever?: (c: UnitComponent) => Lever
  notes: (c: UnitComponent, said: Said) => string[]
  /** what its target is a pressure of */
  target?: (c: UnitComponent, defined: string) => string
  /** of its name when it is put in, such as RV of RV1 */
  prefix: string
  /** ordinary values of a new one; all of them are defaults until somebody confirms them */
  values: Record<string, unknown>
}
