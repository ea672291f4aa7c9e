import { isSentence } from '../../shape/sentence.js'
import { answered } from '../evidence-input.js'
import { wayToEarth } from '../../earthing/bonding-tree.js'
import { wayToGrid } from '../../ac/way-to-grid.js'
import type { AsBuilt } from '../../as-built/as-built.js'
import type { UnitBuilt } from '../../as-built/unit.js'
import { ENTERED } from '../../job/scope.js'
import { joinAnd, normaliseLabel } from '../../quantity/phrases.js'
import { oneOf, optional, text } from '../../shape/shape.js'
import { defineKind, requirementOf, type Judgement, type Subject } from '../kind.js'
import { wholeUnit } from '../subjects.js'
import type { JudgementContext } from '../judgement-context.js'

const shape = requirementOf({
  entered: oneOf(ENTERED, 'what has to be entered'),
  question: text('asked while it is not entered'),
  of: optional(text('for a photo: the requirement that is read off a drawing')),
})

/**
 * What must be there and was not entered: the strings of an inverter, its place in the one-line diagram, a bond, a place on the wall, a
 * serial, a photo of what is read off a drawing. It stands as not inspected until it is entered, or until somebody says with a reason that
 * there is none. What lies outside the scope of the job is not asked for.
 */
export const presence = defineKind(shape, {
  minutes: 1,
  reads: ({ entered }) => [
    ...(['array', 'earthing', 'network', 'walls', 'units'] as const),
    // What was read off the other plates.
    ...(entered === 'serials' ? (['readings'] as const) : []),
  ],
  expand: ({ entered }, unit, sheet, context) =>
    context.header?.scope?.outside.includes(entered) ? [] : MISSING[entered](unit, context, sheet),
  ask: ({ entered, question }, subject) =>
    entered === 'photos'
      ? { kind: 'observation', question }
      : {
          kind: 'record',
          form: 'fields',
          fields: [
            // The serial of a device stands on the map of the roof.
            ...(entered === 'serials' && subject.kind === 'unit' ? [SERIAL_FIELD] : []),
            { id: 'reason', label: NONE_BECAUSE[entered], required: '', options: REASONS[entered] },
            { id: 'sentence', label: 'in a sentence', required: 'what was seen, for whoever signs' },
          ],
        },
  required: ({ question }) => question,
  judge({ question, entered }, _subject, evidence, { asBuilt, unitsWithSerial }, unit) {
    if (evidence?.kind === 'observation')
      return {
        verdict: evidence.seen ? 'conforms' : 'does-not-conform',
        working: [question],
        notes: [],
        finding: evidence.seen ? 'taken' : 'not taken',
      }
    const values = answered(evidence, 'fields')?.values
    const serial = entered === 'serials' ? values?.[SERIAL_FIELD.id]?.typed.trim() : undefined
    if (serial) return serialOnce(serial, unitsWithSerial(serial), unit.id, question)
    const said = [values?.['reason'], values?.['sentence']].flatMap((one) => one?.typed.trim() || [])
    if (said.length === 0) return undefined
    const finding = `none: ${said.join('. ')}`
    if (CONTRADICTS[entered]?.(unit, asBuilt))
      return {
        verdict: 'not-proven',
        working: [question],
        notes: [],
        finding,
        wanting: 'what was entered contradicts it: take one of the two away',
      }
    return said.some(isSentence)
      ? { verdict: 'conforms', working: [question], notes: [], finding }
      : {
          verdict: 'not-proven',
          working: [question],
          notes: [],
          finding,
          wanting: 'say in a sentence what was seen: it stands in the record, for whoever signs',
        }
  },
})

/** What was entered all the same, although somebody said that there is none. */
const CONTRADICTS: Partial<Record<(typeof ENTERED)[number], (unit: UnitBuilt, asBuilt: AsBuilt) => boolean>> =
  {
    'one-line': ({ id }, { network }) => isTied(id, network.parts, network.conductors),
    bonds: ({ id }, { earth }) => isTied(id, earth.parts, earth.bonds),
  }

function isTied(
  unitId: string,
  parts: readonly { id: string; unitId?: string | undefined }[],
  ties: readonly { from: string; to: string }[],
): boolean {
  const own = new Set(parts.filter((part) => part.unitId === unitId).map(({ id }) => id))
  return ties.some(({ from, to }) => own.has(from) || own.has(to))
}

/** The serial that stands on the plate, where nobody entered one. */
const SERIAL_FIELD = {
  id: 'serial',
  label: 'serial as found',
  required: '',
  scan: true,
  onPlate: true,
} as const

/** One serial stands on one plate. */
function serialOnce(
  serial: string,
  having: readonly { id: string; label: string }[],
  unitId: string,
  question: string,
): Judgement {
  const others = having.filter(({ id }) => id !== unitId).map(({ label }) => label)
  const said = { working: [question], notes: [] }
  if (others.length === 0) return { verdict: 'conforms', ...said, finding: `serial ${serial}` }
  const finding = `serial ${serial} is that of ${joinAnd(others)} too`
  return {
    verdict: 'not-proven',
    ...said,
    finding,
    wanting: 'read both plates again: each has a serial of its own',
  }
}

/** What a reason is the answer to. */
const NONE_BECAUSE: Record<(typeof ENTERED)[number], string> = {
  strings: 'there is none, because',
  'one-line': 'there is none, because',
  bonds: 'there is none, because',
  places: 'there is none, because',
  serials: 'not readable, because',
  photos: 'there is none, because',
}

/** Why something may be missing, as it usually is; another reason may be typed. */
export const REASONS: Record<(typeof ENTERED)[number], readonly string[]> = {
  strings: ['the input is idle and capped', 'the inverter has no modules yet', 'outside of this visit'],
  'one-line': ['it is not connected to the mains', 'it is on the DC side only', 'outside of this visit'],
  bonds: ['it has no conductive parts', 'it is double insulated', 'outside of this visit'],
  places: ['it stands on the floor', 'it hangs under the modules', 'outside of this visit'],
  serials: ['its plate cannot be read', 'it carries no serial', 'outside of this visit'],
  photos: [],
}

type Missing = (
  unit: UnitBuilt,
  context: JudgementContext,
  sheet: { terminals: readonly { label: string; side: string }[] },
) => Subject[]

const nothing: Subject[] = []
const part = (id: string, label: string): Subject => ({ kind: 'unit', id, label })

const MISSING: Record<(typeof ENTERED)[number], Missing> = {
  strings(unit, context, { terminals }) {
    const own = context.asBuilt.strings.filter(({ unitId }) => unitId === unit.id)
    const inputs = inputsOf(terminals)
    if (inputs.length === 0) return own.length > 0 ? nothing : [wholeUnit]
    // Where the sheet marks its inputs otherwise than the strings do, the count tells which are left.
    const used = new Set(own.map(({ input }) => normaliseLabel(input)))
    const named = inputs.filter((input) => used.has(normaliseLabel(input)))
    const open =
      named.length === used.size
        ? inputs.filter((input) => !used.has(normaliseLabel(input)))
        : inputs.slice(used.size)
    return open.map((input) => part(normaliseLabel(input).toLowerCase(), input))
  },
  'one-line'(unit, { asBuilt: { network } }) {
    const parts = network.parts.filter(({ unitId }) => unitId === unit.id)
    const connected = parts.length > 0 && parts.every((one) => wayToGrid(one, network))
    return connected ? nothing : [wholeUnit]
  },
  bonds(unit, { asBuilt: { earth } }) {
    const parts = earth.parts.filter(({ unitId }) => unitId === unit.id)
    const bonded = parts.length > 0 && parts.every(({ id }) => wayToEarth(earth, id))
    return bonded ? nothing : [wholeUnit]
  },
  places: (unit) => (unit.place || unit.situation?.mounted !== 'wall' ? nothing : [wholeUnit]),
  serials(unit, { asBuilt: { array } }) {
    const devices = array.devices.filter(({ unitId }) => unitId === unit.id)
    if (devices.length === 0) return unit.serial?.trim() ? nothing : [wholeUnit]
    return devices
      .filter(({ serial }) => !serial?.trim())
      .map((device) => ({ kind: 'device', id: device.id, label: device.at, device }))
  },
  photos: () => [wholeUnit],
}

/** The inputs that a sheet marks on its DC side: "PV1 +" and "PV1 −" are one. */
function inputsOf(terminals: readonly { label: string; side: string }[]): string[] {
  const names = terminals
    .filter(({ side }) => side === 'dc')
    .map(({ label }) => label.replace(/[\s+\-−–]+$/, '').trim())
  return [...new Set(names.filter((name) => name !== ''))]
}
