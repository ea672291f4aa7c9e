import type { UnitBuilt } from '../as-built/unit.js'
import type { NetworkBuilt, NetworkConductor, NetworkPart } from '../ac/one-line.js'
import type { SheetHead } from '../sheet/head.js'

export const NETWORK_TEMPLATES = {
  house: 'one board: every inverter on its own breaker',
  backup: 'a gateway between grid and board, loads behind it kept up',
  tied: 'existing generation on the board beside the new inverter',
} as const
export type NetworkTemplate = keyof typeof NETWORK_TEMPLATES

const FROM_TEMPLATE = { proposed: 'template' } as const

const MAKES_AC = ['hybrid-inverter', 'string-inverter', 'small-inverter']

/**
 * The usual arrangements, drawn for the units of the job: what a person then corrects instead of drawing it all. Ratings and sizes are what
 * is common: each part and cable is a proposal until somebody has read it off the site. Ids come from outside, so that the same call gives the same answer.
 */
export function networkTemplate(
  template: NetworkTemplate,
  units: readonly UnitBuilt[],
  sheetOf: (unitId: string) => SheetHead | undefined,
  { school, newId }: { school: 'iec' | 'nec'; newId: (name: string) => string },
): NetworkBuilt {
  const parts: NetworkPart[] = []
  const conductors: NetworkConductor[] = []
  const three = school === 'iec'
  const of = (kind: string) => units.filter(({ id }) => sheetOf(id)?.kind === kind)
  const place = (part: Omit<NetworkPart, 'id'>): string => {
    const id = newId(part.label)
    parts.push({ id, ...part, ...FROM_TEMPLATE })
    return id
  }
  const run = (from: string, to: string, size: number, length: number) =>
    conductors.push({
      id: newId(`${from} ${to}`),
      from,
      to,
      phases: three ? 3 : 1,
      voltage: three ? 400 : 240,
      size,
      length,
      insulation: 'pvc',
      method: 'B2',
      ambient: 30,
      grouped: 1,
      ...FROM_TEMPLATE,
    })
  const main = three ? { fuse: 63, size: 25, loads: 16 } : { fuse: 200, size: 107.22, loads: 107.22 }
  const branch = three ? { breaker: 25, size: 6 } : { breaker: 40, size: 8.37 }

  const grid = place({ label: 'Grid', kind: 'grid', source: main.fuse })
  const fuse = place({ label: 'Main fuse', kind: 'device', rating: main.fuse })
  run(grid, fuse, main.size, 2)
  let upstream = fuse
  const [meter] = of('meter')
  if (meter) {
    const id = place({ label: meter.label, kind: 'meter', unitId: meter.id })
    run(upstream, id, main.size, 1)
    upstream = id
  }
  if (template === 'backup') {
    const [gateway] = of('gateway')
    const id = place({
      label: gateway?.label ?? 'Gateway',
      kind: 'gateway',
      rating: main.fuse,
      ...(gateway && { unitId: gateway.id }),
    })
    run(upstream, id, main.size, 3)
    upstream = id
  }
  const board = place({ label: 'Board', kind: 'board' })
  run(upstream, board, main.size, 4)
  const loads = place({ label: 'Loads', kind: 'load' })
  run(board, loads, main.loads, 2)
  for (const inverter of units.filter(({ id }) => MAKES_AC.includes(sheetOf(id)?.kind ?? ''))) {
    const breaker = place({ label: `Breaker ${inverter.label}`, kind: 'device', rating: branch.breaker })
    const box = place({
      label: inverter.label,
      kind: 'inverter',
      unitId: inverter.id,
      source: three ? 13 : 16,
    })
    run(board, breaker, branch.size, 0.5)
    run(breaker, box, branch.size, 12)
  }
  if (template === 'tied') {
    const breaker = place({ label: 'Breaker, existing', kind: 'device', rating: branch.breaker })
    const old = place({ label: 'Existing generation', kind: 'generation', source: 16 })
    run(board, breaker, branch.size, 0.5)
    run(breaker, old, branch.size, 10)
  }
  return { parts, conductors }
}
