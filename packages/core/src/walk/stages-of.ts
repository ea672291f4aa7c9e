import { STAGES, type Stage } from '../sheet/stages.js'
import type { UnitKind } from '../sheet/terms.js'
import type { Inspection } from './inspect.js'

/** What is drawn in these stages brings checks of its own: they are there before anything is asked. */
const BUILT_IN_PICTURE: readonly Stage[] = ['identify', 'place-and-mount', 'roof', 'earthing', 'dc', 'ac']

/** Units that modules come with. */
const OF_MODULES: ReadonlySet<UnitKind> = new Set([
  'hybrid-inverter',
  'string-inverter',
  'small-inverter',
  'module-electronics',
  'module',
])

/** The stages of a walk: those that something is asked in, and those in which something is drawn. Without modules there is no roof. */
export function stagesOf({
  checks,
  state: { asBuilt },
  sheets,
}: Pick<Inspection, 'checks' | 'state' | 'sheets'>): Stage[] {
  const asked = new Set(checks.map(({ check }) => check.stage))
  const kinds = asBuilt.units.map(({ sheetId }) => sheets.get(sheetId)?.kind)
  const modules =
    asBuilt.array.planes.length > 0 || kinds.some((kind) => kind === undefined || OF_MODULES.has(kind))
  const drawn = BUILT_IN_PICTURE.filter((stage) => stage !== 'roof' || modules || kinds.length === 0)
  return STAGES.filter((stage) => drawn.includes(stage) || asked.has(stage))
}
