import { readFileSync, readdirSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { readSheetText } from '@plumb-mark/contract'
import { sheetId } from '@plumb-mark/core'

const FOLDER = fileURLToPath(new URL('../samples/sheets/', import.meta.url))

/** The sheets of the samples by their ids, of which the installations are made. */
export const LIBRARY = new Map(
  readdirSync(FOLDER).map((name) => {
    const { sheet } = readSheetText(readFileSync(FOLDER + name, 'utf8'))
    return [sheetId(sheet), sheet]
  }),
)
