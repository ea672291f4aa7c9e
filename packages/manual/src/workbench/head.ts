import type { UnitKind } from '@plumb-mark/core'
import { KIND_OF_DEVICE } from '../proposal/draft-sheet.js'
import type { ReadFile } from '../read-file.js'

/** What a sheet is called by: proposed from the manual, and a person's from there on. */
export interface SheetNames {
  maker: string
  model: string
  kind: UnitKind
}

/** The title of a manual mostly begins with the maker; the model is the one that was chosen, or the first that is named. */
export function namesOf(
  { title, models, device }: Pick<ReadFile, 'title' | 'models' | 'device'>,
  model: string,
): SheetNames {
  const [maker = '', ...rest] = title.split(/\s+/)
  return { maker, model: model || (models[0] ?? rest.slice(0, 2).join(' ')), kind: KIND_OF_DEVICE[device] }
}
