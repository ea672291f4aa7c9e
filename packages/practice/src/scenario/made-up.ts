import type { Sheet } from '@plumb-mark/core'
import type { Base } from './base.js'
import { Chance } from '../chance.js'
import { LEVELS, type Level } from './levels.js'
import { KIT_NAMES, answerAll, cleanSite, type KitName, type Wanted } from '../site/index.js'

const SALT = 0x9e3779b1
/** Enough to be looked at in one sitting; where walls are practised, units stand beside each other. */
const ONE_OF_EACH: Wanted = { inverters: 1, batteries: 1 }
const SIZES: Partial<Record<Level, Wanted>> = { walls: { inverters: 3, fewest: 2, batteries: 2 } }

/**
 * An installation that was never built: another one for each seed, all right, and answered. Its sheets ask only what the level practises.
 * Bad input: a library that lacks one of its sheets.
 */
export function madeUp(
  library: ReadonlyMap<string, Sheet>,
  { seed, level, kit }: { seed: number; level: Level; kit?: KitName },
): Base {
  const chance = new Chance(Math.imul(seed + 1, SALT))
  const drawn = chance.of(KIT_NAMES)
  const site = cleanSite(chance, library, { kit: kit ?? drawn, ...(SIZES[level] ?? ONE_OF_EACH) })
  const stages: readonly string[] = LEVELS[level]
  for (const [id, sheet] of site.sheets) {
    const requirements = sheet.requirements.filter(({ stage }) => stages.includes(stage))
    site.sheets.set(id, { ...sheet, requirements })
  }
  answerAll(site)
  return { entries: site.entries, sheets: [...site.sheets.values()] }
}
