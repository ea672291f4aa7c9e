import { EARTH_METHODS } from '../earthing/protective-earth.js'
import type { JobId, SheetId } from '../ids/ids.js'
import { scopeShape } from './scope.js'
import { DECISION_RULES } from '../verdict/decision.js'
import { dayField } from '../shape/time.js'
import { timeZoneField } from '../shape/time-zone.js'
import { anyText, flag, list, num, object, oneOf, optional, text, type Read } from '../shape/shape.js'

export const SCHOOLS = ['iec', 'nec'] as const
export const SYSTEMS = ['metric', 'us'] as const

export const pinnedSheetShape = object({
  id: text<SheetId>(),
  maker: anyText(),
  model: anyText(),
  revision: anyText(),
  fingerprint: text('SHA-256 of the canonical JSON of the sheet'),
})
export type PinnedSheet = Read<typeof pinnedSheetShape>

const rules = {
  title: anyText(),
  site: anyText(),
  customer: anyText(),
  school: oneOf(SCHOOLS),
  units: oneOf(SYSTEMS),
  rule: oneOf(DECISION_RULES),
}
const whereItMatters = {
  earthMethod: optional(
    oneOf(EARTH_METHODS, 'how protective conductors are sized; by the table when nobody chose'),
  ),
  copperBonds: optional(flag('the authority insists on copper bonds')),
  coldest: optional(num({ unit: '°C', about: 'lowest temperature of the site, for the coldest morning' })),
  photosTellPlace: optional(flag('photos keep the place where the camera says they were taken')),
  scope: optional(scopeShape),
  due: optional(dayField),
  timeZone: optional(timeZoneField),
  country: optional(anyText('two letters, ISO 3166-1')),
}

export const jobHeaderShape = object({
  number: anyText(),
  ...rules,
  sheets: list(pinnedSheetShape, { mayBeEmpty: true }),
  ...whereItMatters,
  again: optional(
    object({ jobId: text<JobId>(), number: anyText() }, 'the inspection of the same installation before'),
  ),
})
/** The header as it stands, with the sheets that were replaced since: what was answered then was asked by them. */
export type JobHeader = Read<typeof jobHeaderShape> & { replaced?: readonly PinnedSheet[] }

/** What may be changed of a job after it was opened; sheets are adopted one by one. */
export const jobAmendmentShape = object({
  title: optional(rules.title),
  site: optional(rules.site),
  customer: optional(rules.customer),
  school: optional(rules.school),
  units: optional(rules.units),
  rule: optional(rules.rule),
  ...whereItMatters,
})
export type JobAmendment = Read<typeof jobAmendmentShape>
