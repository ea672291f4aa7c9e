import { type Message, sameMessage, msg, joinMessages } from '../quantity/message.js'
import { SIDES } from '../wall/sides.js'
import type { UnitBuilt } from '../as-built/unit.js'
import type { JudgementContext } from './judgement-context.js'
import { lookUpArray } from '../as-built/module-lookup.js'
import { NOTHING_BUILT } from '../as-built/as-built.js'
import { kindOf, type Requirement } from './kinds.js'
import type { Subject } from './kind.js'
import { wholeUnit } from './subjects.js'
import type { Sheet } from './sheet.js'

/** What a requirement asks for, as it reads in the sheet: said of an imagined unit that nothing is known of. */
export function sheetRequirementWords(requirement: Requirement, sheet: Sheet): Message {
  const unit: UnitBuilt = { id: 'unit', label: '', sheetId: '' }
  const asBuilt = { ...NOTHING_BUILT, units: [unit] }
  const context: JudgementContext = {
    asBuilt,
    rule: 'guarded',
    header: undefined,
    sheet: () => undefined,
    sheetOf: () => sheet,
    onWall: () => undefined,
    array: () => lookUpArray(asBuilt.array, [unit], () => sheet),
    loads: () => [],
    partLoads: () => [],
    strings: () => [],
    reading: () => undefined,
    unitsWithSerial: () => [],
    proposals: () => new Map(),
    labelOf: (id) => id,
  }
  const kind = kindOf(requirement)
  const subjects = kind.expand(requirement, unit, sheet, context)
  const own = subjects.length > 0 ? subjects : [wholeUnit]
  const all = own.map((subject) => sideFirst(subject, kind.required(requirement, subject, context, unit)))
  const words = all.filter(
    (said, i) => String(said).trim() !== '' && all.findIndex((other) => sameMessage(said, other)) === i,
  )
  const each = 'each' in requirement && requirement.each !== 'unit' ? ` (each ${requirement.each})` : ''
  return msg`${joinMessages(words.slice(0, MOST_SAID), '; ')}${words.length > MOST_SAID ? ' …' : ''}${each}`
}

const MOST_SAID = 5

/** A figure for one side of a unit says which side, unless its words do. */
const sideFirst = ({ kind, id, label }: Subject, said: Message): Message =>
  kind !== 'side' || !(SIDES as readonly string[]).includes(id) ? said : msg`${label} ${said}`
