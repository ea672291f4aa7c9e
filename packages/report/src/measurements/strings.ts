import {
  formatNumber,
  inForce,
  stringChart,
  type Evidence,
  type Inspection,
  type JudgedCheck,
  type KindName,
} from '@plumb-mark/core'
import { figure, orDash, quiet, type Block, type Cell } from '../block.js'
import { sayEvidence, worst } from '@plumb-mark/core'

const READ = [
  'string-open-circuit',
  'string-short-circuit',
  'polarity',
  'insulation',
] as const satisfies KindName[]

/** One row a string: what was read on it, under which conditions, with what, and what comes of it. */
export function stringTests(inspection: Inspection): Block[] {
  const charted = new Map(stringChart(inspection).map((one) => [one.id, one]))
  const rows = byString(inspection.checks)
  if (rows.length === 0) return []
  return [
    { kind: 'heading', text: 'Strings' },
    {
      kind: 'table',
      columns: [
        { head: 'string', share: 1.5 },
        { head: 'count', share: 0.75 },
        { head: 'Voc measured', share: 1.1 },
        { head: 'Voc expected', share: 1.3 },
        { head: 'Isc' },
        { head: 'polarity' },
        { head: 'insulation, at', share: 1.3 },
        { head: 'irradiance', share: 1.15 },
        { head: 'cells', share: 0.8 },
        { head: 'instruments', share: 1.6 },
        { head: 'verdict', share: 1.5 },
      ],
      rows: rows.map(({ label, count, of }) => {
        const voc = of['string-open-circuit']
        const band = voc && charted.get(voc.check.id)?.band
        const insulation = readingOf(of.insulation)
        const conditions = {
          ...readingOf(of['string-short-circuit'])?.conditions,
          ...readingOf(voc)?.conditions,
        }
        const tested = insulation?.conditions?.testVoltage
        const judged = READ.flatMap((kind) => of[kind] ?? [])
        return [
          label,
          figure(String(count)),
          read(voc),
          band ? figure(`${formatNumber(band.from, 1)} to ${formatNumber(band.to, 1)} V`) : quiet('–'),
          read(of['string-short-circuit']),
          read(of.polarity),
          insulation
            ? figure(`${insulation.typed}${tested === undefined ? '' : `, ${formatNumber(tested, 0)} V`}`)
            : quiet('not read'),
          conditions.irradiance === undefined
            ? quiet('–')
            : figure(`${formatNumber(conditions.irradiance, 0)} W/m²`),
          conditions.cellTemperature === undefined
            ? quiet('–')
            : figure(`${formatNumber(conditions.cellTemperature, 1)} °C`),
          orDash(instruments(judged)),
          { verdict: worst(judged.map(({ outcome }) => outcome.verdict)) },
        ]
      }),
    },
  ]
}

interface StringRow {
  label: string
  count: number
  of: Partial<Record<(typeof READ)[number], JudgedCheck>>
}

function byString(checks: readonly JudgedCheck[]): StringRow[] {
  const rows = new Map<string, StringRow>()
  for (const judged of checks) {
    const { subject, unit, requirement } = judged.check
    const kind = READ.find((one) => one === requirement.kind)
    if (!subject.string || !kind || judged.outcome.verdict === 'not-applicable') continue
    const key = `${unit.id}/${subject.id}`
    const row = rows.get(key) ?? {
      label: `${subject.label}, ${unit.label} ${subject.string.input}`,
      count: subject.string.count,
      of: {},
    }
    row.of[kind] ??= judged
    rows.set(key, row)
  }
  return [...rows.values()]
}

function readingOf(judged: JudgedCheck | undefined) {
  const last: Evidence | undefined = inForce(judged?.history)
  return last?.kind === 'reading' ? last.body : undefined
}

/** What was read at a check, as it was typed. */
export function read(judged: JudgedCheck | undefined): Cell {
  if (!judged) return quiet('–')
  const last = inForce(judged.history)
  return last ? figure(sayEvidence(judged.check, last)) : quiet('not read')
}

/** The instruments that readings in force were taken with. */
export function instruments(checks: readonly JudgedCheck[]): string {
  const names = checks.flatMap(({ history }) => {
    const last = inForce(history)
    return last && 'instrument' in last.body && last.body.instrument ? [last.body.instrument.name] : []
  })
  return [...new Set(names)].join(', ')
}
