import type { UnitFile } from '../units/unitFile'

/** A sheet that is being worked on and not saved yet; kept in the browser until it is. */
export interface Draft {
  base: number
  document: UnitFile
  unconfirmed: string[]
}

const keyOf = (tag: string) => `sheet-${tag}`

export function keptDraft(tag: string): Draft | undefined {
  try {
    const text = localStorage.getItem(keyOf(tag))
    return text ? (JSON.parse(text) as Draft) : undefined
  } catch {
    return undefined // a browser that keeps nothing, or something that is no draft
  }
}

export function keepDraft(tag: string, draft: Draft | undefined) {
  try {
    if (draft) localStorage.setItem(keyOf(tag), JSON.stringify(draft))
    else localStorage.removeItem(keyOf(tag))
  } catch {
    // Full, or forbidden: it stays on the page until it is saved.
  }
}
