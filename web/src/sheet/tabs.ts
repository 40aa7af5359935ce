import { say } from '../words'

/** The parts of a sheet, in the order of work. */
export const TABS = {
  circuit: say('sheet.sheetPage.circuit'),
  parts: say('sheet.sheetPage.parts'),
  targets: say('sheet.sheetPage.target-sheet'),
  revisions: say('sheet.sheetPage.revisions'),
}

export type SheetTab = keyof typeof TABS
