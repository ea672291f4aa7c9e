import { BadInput, sheetId, type PinnedSheet, type Sheet } from '@plumb-mark/core'
import type { Chance } from '../chance.js'
import { bondAll } from './earthing.js'
import { KITS, type Kit, type KitName, type Size } from './kits.js'
import { traceNetwork } from './network.js'
import { Site } from './site.js'
import { wireStrings } from './strings.js'
import { variedSheet } from './varied-sheet.js'
import { placeUnits } from './walls.js'

/** How large a site may become, and of what it is made. */
export interface Wanted {
  kit?: KitName
  /** At most so many. */
  inverters?: number
  /** At least so many; one where it is left out. */
  fewest?: number
  batteries?: number
}

/**
 * A clean installation put together by chance: inverters, batteries, meter, modules and house rules, on walls and a roof of their own, wired
 * and earthed; everything entered, nothing answered yet. The same chance gives the same.
 */
export function cleanSite(
  chance: Chance,
  library: ReadonlyMap<string, Sheet>,
  { kit: name = 'hybrid', inverters: most = 3, fewest = 1, batteries: mostBatteries = 2 }: Wanted = {},
): Site {
  const site = new Site(chance)
  const kit: Kit = KITS[name]
  const three = chance.maybe(0.5) && kit.phases === 'either'
  const nec = chance.maybe(0.35) && kit.phases === 'either'
  const size: Size = {
    inverters: chance.whole(fewest, most),
    batteries: chance.whole(0, mostBatteries),
    electronics: chance.maybe(0.4),
    three,
    nec,
  }
  const sheets = new Map(
    namesOf(kit, size).map((one) => [one, variedSheet(sheetIn(library, one), chance)] as const),
  )
  for (const sheet of sheets.values()) site.sheets.set(sheetId(sheet), sheet)
  site.write('job-opened', {
    number: 'P-1',
    title: 'Practice',
    site: 'A house that was never built',
    customer: 'Nobody',
    school: nec ? 'nec' : 'iec',
    units: nec ? 'us' : 'metric',
    rule: 'guarded',
    earthMethod: 'table',
    coldest: chance.whole(-25, 0),
    sheets: [...sheets.values()].map(pinned),
  })
  const fit = (id: string, label: string, sheet: string, more = {}) =>
    site.write('unit-fitted', { id, label, sheetId: sheetId(sheets.get(sheet)!), ...more })
  kit.rules.forEach((sheet, i) => fit(`rules-${i + 1}`, sheets.get(sheet)!.title, sheet))
  fit('modules', 'Modules', kit.module)
  fit('meter', 'Meter', kit.meter, { serial: 'M-1' })
  if (size.electronics) {
    if (kit.listener) fit('listener', 'Listener', kit.listener)
    fit('boxes', 'Module electronics', kit.electronics, {
      situation: { placed: 'outdoors', mounted: 'roof' },
    })
  }
  placeUnits(site, kit, size, (sheet) => sheetId(sheets.get(sheet)!))
  wireStrings(site, kit, size, sheets.get(kit.module)!)
  bondAll(site, size)
  traceNetwork(site, kit, size)
  return site
}

/** Bad input: a library without it. */
function sheetIn(library: ReadonlyMap<string, Sheet>, id: string): Sheet {
  const sheet = library.get(id)
  if (!sheet) throw new BadInput('unknown-id', 'library', `has no sheet “${id}”`)
  return sheet
}

const namesOf = (kit: Kit, { batteries, electronics }: Size): string[] => [
  kit.inverter.sheet,
  kit.module,
  ...kit.rules,
  kit.meter,
  ...(batteries > 0 ? [kit.battery.sheet] : []),
  ...(electronics ? [kit.electronics, ...(kit.listener ? [kit.listener] : [])] : []),
]

function pinned(sheet: Sheet): PinnedSheet {
  const { maker, model, revision } = sheet
  return { id: sheetId(sheet), maker, model, revision, fingerprint: 'f' }
}
