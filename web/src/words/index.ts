/** Every word of the screens, by screen. {0}, {1} are what is put in. A missing or unused key fails the build. */
import { BEGIN } from './begin'
import { HISTORY } from './history'
import { INSTRUMENTS } from './instruments'
import { PLAN } from './plan'
import { POINTING } from './pointing'
import { PROVE } from './prove'
import { RECKON } from './reckon'
import { RECORD } from './record'
import { RIG } from './rig'
import { RUN } from './run'
import { SHEET } from './sheet'
import { UNITS } from './units'
import { VERIFY } from './verify'
import { TOUR } from './tour'
import { UPKEEP } from './upkeep'
import { SHARED } from './shared'

export { FIELDS } from './fields'

export const WORDS = {
  ...BEGIN,
  ...HISTORY,
  ...INSTRUMENTS,
  ...PLAN,
  ...POINTING,
  ...PROVE,
  ...RECKON,
  ...RECORD,
  ...RIG,
  ...RUN,
  ...SHEET,
  ...TOUR,
  ...UNITS,
  ...UPKEEP,
  ...VERIFY,
  ...SHARED,
} as const

export type Word = keyof typeof WORDS

export function say(word: Word, ...values: unknown[]): string {
  return WORDS[word].replace(/\{(\d)}/g, (_, i: string) => String(values[Number(i)] ?? ''))
}
