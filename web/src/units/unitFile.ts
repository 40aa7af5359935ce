/** The parts of the open unit file that the screens read or change; everything else is carried along untouched. */
export interface UnitFile {
  tag: string
  name: string
  fluid: { bandC?: [number, number]; [key: string]: unknown }
  lines: { id: string; name?: string; ratingBar: number; volumeL?: number }[]
  components: UnitComponent[]
  testPoints?: { id: string; line: string; rangeBar: number; class: number; reads?: string; [key: string]: unknown }[]
  targets?: { setting: string; pressureBar: number; toleranceBar?: number; defined?: string }[]
  work?: { id: string; name?: string; line: string; pressureBar: number; flowLpm?: number }[]
  [key: string]: unknown
}

export interface UnitComponent {
  id: string
  type: string
  inlet?: string
  outlet?: string
  a?: string
  b?: string
  driver?: string
  purpose?: string
  compensator?: { settingBar: number; [key: string]: unknown }
  settingBar?: number
  displacementCm3?: number
  ratedPowerKw?: number
  ratedCurrentA?: number
  [key: string]: unknown
}

export const TANK = 'T'

/** Before the tag of the unit that a new one is to be like. */
export const LIKE = 'like:'

/** A copy that shares nothing with the original, also of a reactive one. */
export function copyOf<T>(value: T): T {
  return JSON.parse(JSON.stringify(value)) as T
}
