import { readSheetText } from '@plumb-mark/contract'
import { sheetId, type Sheet } from '@plumb-mark/core'
import { sheetTexts } from './sheet-texts.js'

/** The invented sheets of which installations are made up, by their ids; they come with the program, signal or not. */
export async function sampleSheets(): Promise<Map<string, Sheet>> {
  const all = await Promise.all(Object.values(sheetTexts()).map((load) => load()))
  const sheets = all.map(readSheetText).flatMap((read) => (read.ok ? [read.sheet] : []))
  return new Map(sheets.map((sheet) => [sheetId(sheet), sheet]))
}
