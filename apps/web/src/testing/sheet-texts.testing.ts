import { readFileSync, readdirSync } from 'node:fs'

const FOLDER = 'samples/sheets'

/** As the built program has them, from where they lie. */
export const sheetTexts = (): Record<string, () => Promise<string>> =>
  Object.fromEntries(
    readdirSync(FOLDER).map((name) => [name, async () => readFileSync(`${FOLDER}/${name}`, 'utf8')]),
  )
