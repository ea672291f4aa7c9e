import { formatQuantity } from '../quantity/format.js'
import { UNITS, type Dimension } from '../quantity/units.js'
import type { JsonSchema } from '../verdict/shape.js'
import { sheetSchema, type Sheet } from './sheet.js'

/** One thing that differs between two revisions, as a reader of the sheet would say it. */
export interface SheetDifference {
  kind: 'added' | 'removed' | 'changed'
  /** What it is about: "Free space", "terminal PV1 +", "mass". */
  about: string
  /** "clear, top"; empty for a whole requirement. */
  what: string
  before: string | undefined
  after: string | undefined
  clause: string | undefined
  requirementId: string | undefined
}

interface Row {
  about: string
  what: string
  clause: string | undefined
  requirementId: string | undefined
  /** As a person would write it. */
  value: string
  /** With every digit that counts: two figures may differ and still be written alike. */
  exact: string
}

/** How two revisions differ, requirement by requirement: what came, what went, and every figure that changed with its unit and clause. */
export function sheetDifferences(before: Sheet, after: Sheet): SheetDifference[] {
  const [a, b] = [rowsOf(before), rowsOf(after)]
  const gone = missingFrom(before.requirements, after.requirements)
  const come = missingFrom(after.requirements, before.requirements)
  const whole = (
    kind: 'added' | 'removed',
    { id, title, clause }: Sheet['requirements'][number],
  ): SheetDifference => ({
    kind,
    about: title,
    what: '',
    before: kind === 'removed' ? 'asked for' : undefined,
    after: kind === 'added' ? 'asked for' : undefined,
    clause,
    requirementId: id,
  })
  const skip = new Set([...gone, ...come].map(({ id }) => id))
  const keys = [...new Set([...a.keys(), ...b.keys()])]
  const changed = keys.flatMap((key): SheetDifference[] => {
    const [was, is] = [a.get(key), b.get(key)]
    const { about, what, clause, requirementId } = (is ?? was)!
    if (was?.exact === is?.exact || (requirementId !== undefined && skip.has(requirementId))) return []
    const told = was?.value === is?.value ? 'exact' : 'value'
    return [
      {
        kind: was === undefined ? 'added' : is === undefined ? 'removed' : 'changed',
        about,
        what,
        before: was?.[told],
        after: is?.[told],
        clause,
        requirementId,
      },
    ]
  })
  return [...come.map((one) => whole('added', one)), ...gone.map((one) => whole('removed', one)), ...changed]
}

const missingFrom = (all: Sheet['requirements'], others: Sheet['requirements']) =>
  all.filter(({ id }) => !others.some((other) => other.id === id))

/** What is not worth telling: it says which revision this is, which is known. */
const SILENT = new Set(['format', 'version', 'revision', 'date', 'requirements'])

function rowsOf(sheet: Sheet): Map<string, Row> {
  const rows = new Map<string, Row>()
  const fields = sheetSchema().properties!
  const add = (
    key: string,
    value: unknown,
    schema: JsonSchema | undefined,
    head: Pick<Row, 'about' | 'clause' | 'requirementId'>,
    trail: readonly string[],
  ) => {
    if (value === undefined) return
    if (Array.isArray(value)) {
      value.forEach((one, i) =>
        add(`${key}/${nameOf(one) ?? i}`, one, schema?.items, head, [
          ...trail,
          nameOf(one) ?? `no. ${i + 1}`,
        ]),
      )
    } else if (typeof value === 'object' && value !== null) {
      for (const [name, one] of Object.entries(value))
        if (name !== 'id')
          add(`${key}/${name}`, one, schema?.properties?.[name], head, [
            ...trail,
            name.replace(/([A-Z])/g, ' $1').toLowerCase(),
          ])
    } else {
      rows.set(key, { ...head, what: trail.join(', '), ...said(value, schema?.['x-unit']) })
    }
  }
  for (const [name, value] of Object.entries(sheet)) {
    if (SILENT.has(name)) continue
    if (name === 'terminals')
      for (const terminal of sheet.terminals)
        add(
          `terminals/${terminal.id}`,
          terminal,
          fields[name]!.items,
          { about: `terminal ${terminal.label}`, clause: undefined, requirementId: undefined },
          [],
        )
    else add(name, value, fields[name], { about: name, clause: undefined, requirementId: undefined }, [])
  }
  for (const { id, title, clause, ...rest } of sheet.requirements) {
    const head = { about: title, clause, requirementId: id }
    const schema = fields['requirements']!.items!.oneOf!.find(
      ({ properties }) => properties?.['kind']?.enum?.[0] === rest.kind,
    )
    add(`requirements/${id}/clause`, clause, undefined, head, ['clause'])
    for (const [name, value] of Object.entries(rest))
      add(`requirements/${id}/${name}`, value, schema?.properties?.[name], head, [
        name.replace(/([A-Z])/g, ' $1').toLowerCase(),
      ])
  }
  return rows
}

/** A list entry goes by its own name, so that one put in between does not make all that follow differ. */
function nameOf(one: unknown): string | undefined {
  if (typeof one !== 'object' || one === null) return typeof one === 'string' ? one : undefined
  const { label, name, id, from, wall } = one as Record<string, unknown>
  return [label, name, id, from, wall].find((word): word is string => typeof word === 'string')
}

function said(value: unknown, unit: string | undefined): Pick<Row, 'value' | 'exact'> {
  const dimension = unit && (Object.keys(UNITS) as Dimension[]).find((one) => UNITS[one][0]!.name === unit)
  if (typeof value !== 'number' || !dimension) return { value: String(value), exact: String(value) }
  // Nine digits: more than any sheet says, fewer than the conversion of units disturbs.
  return {
    value: formatQuantity(value, dimension),
    exact: formatQuantity(Number(value.toPrecision(9)), dimension, { decimals: 'full' }),
  }
}

/** "top clearance 420 → 480 mm, clause 4.2" */
export function differenceWords({ kind, about, what, before, after, clause }: SheetDifference): string {
  const subject = what ? `${about}: ${what}` : about
  const change =
    kind === 'added'
      ? after === 'asked for'
        ? 'new'
        : `new: ${after}`
      : kind === 'removed'
        ? before === 'asked for'
          ? 'no longer asked for'
          : `no longer ${before}`
        : arrow(before!, after!)
  return `${subject} ${change}${clause ? `, clause ${clause}` : ''}`
}

/** The unit is said once when both carry the same. */
function arrow(before: string, after: string): string {
  const [a, b] = [before, after].map((one) => /^(−?[\d.]+) (\S+)$/.exec(one))
  return a && b && a[2] === b[2] ? `${a[1]} → ${after}` : `${before} → ${after}`
}
