import type { Role } from '../job/person.js'
import { compute } from '../calculators.js'
import { attempt } from '../verdict/attempt.js'
import { isOpen } from '../walk/defect.js'
import { nextState } from '../job/defect-process.js'
import { blockers } from '../sign-off/gate.js'
import type { Inspection } from '../walk/inspect.js'
import { readAnswer, readsAs } from '../answer/forms.js'
import type { EntryBodies, EntryKind, NewEntry, PinnedSheet } from '../job/entry.js'

const MAY_WRITE = {
  'job-opened': ['inspector', 'office'],
  shared: ['inspector', 'office'],
  'job-amended': ['inspector', 'office'],
  'sheet-adopted': ['inspector', 'office'],
  'unit-fitted': ['inspector', 'office'],
  'unit-removed': ['inspector', 'office'],
  'wall-measured': ['inspector'],
  'obstruction-measured': ['inspector'],
  'obstruction-removed': ['inspector'],
  'wall-removed': ['inspector'],
  'gap-measured': ['inspector'],
  'gap-removed': ['inspector'],
  'string-built': ['inspector', 'office'],
  'string-removed': ['inspector', 'office'],
  'plane-built': ['inspector', 'office'],
  'plane-removed': ['inspector', 'office'],
  'devices-fitted': ['inspector', 'office'],
  'devices-removed': ['inspector', 'office'],
  'branch-built': ['inspector', 'office'],
  'branch-removed': ['inspector', 'office'],
  'serials-reported': ['inspector', 'office'],
  'earth-part-found': ['inspector'],
  'earth-part-removed': ['inspector'],
  'bond-made': ['inspector'],
  'bond-removed': ['inspector'],
  'part-placed': ['inspector'],
  'part-removed': ['inspector'],
  'conductor-run': ['inspector'],
  'conductor-removed': ['inspector'],
  reading: ['inspector'],
  observation: ['inspector'],
  record: ['inspector'],
  'evidence-struck': ['inspector'],
  'defect-raised': ['inspector', 'reviewer'],
  'defect-step': ['inspector', 'installer', 'reviewer'],
  'calculation-kept': ['inspector', 'office'],
  signed: ['reviewer'],
} as const satisfies Record<EntryKind, readonly Role[]>

/**
 * What of a job an entry is weighed against: what was entered so far, the measuring points that follow from what is built, or the very
 * outcomes. In a long batch the judging is done again only where it matters.
 */
export const WEIGHED_BY = {
  'job-opened': 'state',
  shared: 'state',
  'job-amended': 'state',
  'sheet-adopted': 'state',
  'unit-fitted': 'state',
  'unit-removed': 'state',
  'wall-measured': 'state',
  'wall-removed': 'state',
  'obstruction-measured': 'state',
  'obstruction-removed': 'state',
  'gap-measured': 'state',
  'gap-removed': 'state',
  'string-built': 'state',
  'string-removed': 'state',
  'plane-built': 'state',
  'plane-removed': 'state',
  'devices-fitted': 'state',
  'devices-removed': 'state',
  'branch-built': 'state',
  'branch-removed': 'state',
  'serials-reported': 'state',
  'earth-part-found': 'state',
  'earth-part-removed': 'state',
  'bond-made': 'state',
  'bond-removed': 'state',
  'part-placed': 'state',
  'part-removed': 'state',
  'conductor-run': 'state',
  'conductor-removed': 'state',
  'calculation-kept': 'state',
  'evidence-struck': 'state',
  reading: 'points',
  observation: 'points',
  record: 'points',
  'defect-raised': 'outcomes',
  'defect-step': 'outcomes',
  signed: 'outcomes',
} as const satisfies Record<EntryKind, 'state' | 'points' | 'outcomes'>

export const ENTRY_KINDS = Object.keys(MAY_WRITE) as EntryKind[]

export type Admission = { ok: true } | { ok: false; code: string; message: string }

const OK: Admission = { ok: true }
const refuse = (code: string, message: string): Admission => ({ ok: false, code, message })

/**
 * May this entry be appended to the job as it stands? A sealed job takes nothing; each role writes its own kinds; what an entry speaks
 * of must be there; a defect follows its process; a signature needs a clear way and must seal the very head it was shown.
 */
export function admit(entry: NewEntry, role: Role, inspection: Inspection): Admission {
  const { state } = inspection
  if (state.seal) return refuse('sealed', 'this job is signed and sealed: nothing in it can be changed')
  if (!(MAY_WRITE[entry.kind] as readonly Role[]).includes(role))
    return refuse('not-your-entry', `a person in the role “${role}” may not write “${entry.kind}”`)
  if (entry.kind === 'job-opened')
    return state.header ? refuse('already-open', 'this job has been opened before') : OK
  if (!state.header) return refuse('not-open', 'the first entry of a job opens it')
  return admitBody(entry, role, inspection)
}

function admitBody(entry: NewEntry, role: Role, inspection: Inspection): Admission {
  const { state, checks, defects } = inspection
  switch (entry.kind) {
    case 'unit-fitted':
      if (!state.header!.sheets.some(({ id }) => id === entry.body.sheetId))
        return refuse('unknown-sheet', `the job pins no sheet “${entry.body.sheetId}”`)
      return entry.body.place ? known(state.asBuilt.walls, entry.body.place.wallId, 'wall') : OK
    case 'unit-removed':
      return known(state.asBuilt.units, entry.body.unitId, 'unit')
    case 'sheet-adopted':
      return admitAdoption(entry.body, state.header!.sheets)
    case 'plane-built':
    case 'serials-reported':
    case 'branch-built':
      return known(state.asBuilt.units, entry.body.unitId, 'unit')
    case 'plane-removed':
      return known(state.asBuilt.array.planes, entry.body.planeId, 'plane')
    case 'devices-fitted':
      return admitDevices(entry.body.devices, inspection)
    case 'bond-made':
      return firstRefusal(
        known(state.asBuilt.earth.parts, entry.body.from, 'part'),
        known(state.asBuilt.earth.parts, entry.body.to, 'part'),
        entry.body.from === entry.body.to ? refuse('to-itself', 'a part cannot be bonded to itself') : OK,
      )
    case 'conductor-run':
      return firstRefusal(
        known(state.asBuilt.network.parts, entry.body.from, 'part'),
        known(state.asBuilt.network.parts, entry.body.to, 'part'),
        entry.body.from === entry.body.to
          ? refuse('to-itself', 'a conductor cannot end where it begins')
          : OK,
      )
    case 'record':
      return admitRecord(entry.body, inspection)
    case 'wall-removed':
    case 'gap-measured':
    case 'gap-removed':
    case 'obstruction-measured':
    case 'obstruction-removed':
      return known(state.asBuilt.walls, entry.body.wallId, 'wall')
    case 'string-built':
      return known(state.asBuilt.units, entry.body.unitId, 'unit')
    case 'reading':
      if (!readsAsTyped(entry.body, inspection))
        return refuse('typed-differs', `“${entry.body.typed}” does not read as the value that was sent`)
      return known(points(inspection, 'reading'), entry.body.point, 'point')
    case 'observation':
      return known(points(inspection, 'observation'), entry.body.point, 'point')
    case 'evidence-struck':
      return [...state.evidence.values()].some((rows) => rows.some(({ id }) => id === entry.body.entryId))
        ? OK
        : refuse('unknown-entry', 'the reading to be struck out is not in this job')
    case 'defect-raised':
      if (!checks.some(({ check }) => check.id === entry.body.checkId))
        return refuse('unknown-check', `no check is called “${entry.body.checkId}”`)
      return defects.some((defect) => defect.checkId === entry.body.checkId && isOpen(defect))
        ? refuse('already-raised', 'this check has an open defect already')
        : OK
    case 'defect-step':
      return admitStep(entry, role, inspection)
    case 'calculation-kept':
      return admitCalculation(entry.body)
    case 'signed':
      return admitSignature(entry, inspection)
    default:
      return OK
  }
}

const firstRefusal = (...answers: Admission[]): Admission => answers.find(({ ok }) => !ok) ?? OK

/** A revision is taken over only by another one of the same maker and model. */
function admitAdoption(
  { sheet, replaces }: EntryBodies['sheet-adopted'],
  pinned: readonly PinnedSheet[],
): Admission {
  if (replaces === undefined) return OK
  const before = pinned.find(({ id }) => id === replaces)
  if (!before) return refuse('unknown-sheet', `the job pins no sheet “${replaces}”`)
  return before.maker === sheet.maker && before.model === sheet.model
    ? OK
    : refuse(
        'other-model',
        `a sheet of ${sheet.maker} ${sheet.model} cannot replace one of ${before.maker} ${before.model}`,
      )
}

function admitDevices(devices: EntryBodies['devices-fitted']['devices'], { state }: Inspection): Admission {
  const { units, array } = state.asBuilt
  const planes = new Set(array.planes.map(({ id }) => id))
  const lost = devices.find(({ at }) => !planes.has(at.slice(0, at.lastIndexOf('.'))))
  if (lost) return refuse('unknown-place', `no plane has a place “${lost.at}”`)
  return firstRefusal(
    ...[...new Set(devices.map(({ unitId }) => unitId))].map((id) => known(units, id, 'unit')),
  )
}

/** An answer must fit what its check asks for; what it does not offer cannot be chosen. */
function admitRecord({ point, answer }: EntryBodies['record'], { checks }: Inspection): Admission {
  const ask = checks.find(({ check }) => check.point === point && check.ask.kind === 'record')?.check.ask
  if (ask?.kind !== 'record') return refuse('unknown-point', `no point in this job is called “${point}”`)
  const read = attempt(() => readAnswer(ask, answer))
  return read.ok ? OK : refuse('answer-differs', read.problem.message)
}

const points = ({ checks }: Inspection, kind: 'reading' | 'observation') =>
  checks.filter(({ check }) => check.ask.kind === kind).map(({ check }) => ({ id: check.point }))

function readsAsTyped(
  { point, typed, value, relation }: EntryBodies['reading'],
  { checks }: Inspection,
): boolean {
  const ask = checks.find(({ check }) => check.point === point)?.check.ask
  return ask?.kind !== 'reading' || readsAs(typed, value, ask.dimension, ask.unit, relation)
}

function known(all: readonly { id: string }[], id: string, what: string): Admission {
  return all.some((one) => one.id === id)
    ? OK
    : refuse(`unknown-${what}`, `no ${what} in this job is called “${id}”`)
}

/** Only a calculation that can be worked out again is kept. */
function admitCalculation({ calculator, input }: EntryBodies['calculation-kept']): Admission {
  const done = attempt(() => compute(calculator, input))
  return done.ok ? OK : refuse('not-computable', done.problem.message)
}

const STEP_REFUSALS = {
  'step-not-allowed-now': 'the defect is not in a state for this step',
  'not-your-step': 'this step is for somebody else to take',
  'no-conforming-reading': 'only a new conforming reading closes a defect',
  'reading-still-fails': 'the reading in force still fails: it cannot be withdrawn',
}

function admitStep(
  entry: Extract<NewEntry, { kind: 'defect-step' }>,
  role: Role,
  { defects }: Inspection,
): Admission {
  const defect = defects.find(({ id }) => id === entry.body.defectId)
  if (!defect) return refuse('unknown-defect', 'no such defect in this job')
  const answer = nextState(defect.state, entry.body.step, role, defect.proof)
  return answer.ok
    ? OK
    : refuse(
        answer.code,
        `${STEP_REFUSALS[answer.code]}${answer.allowed.length > 0 ? ` (possible: ${answer.allowed.join(', ')})` : ''}`,
      )
}

function admitSignature({ body }: Extract<NewEntry, { kind: 'signed' }>, inspection: Inspection): Admission {
  const inTheWay = blockers(inspection)
  if (inTheWay.length > 0)
    return refuse(
      'not-clear',
      `${inTheWay.length} thing${inTheWay.length === 1 ? ' stands' : 's stand'} in the way: ${inTheWay[0]!.text}`,
    )
  if (body.licence.trim() === '') return refuse('no-licence', 'the licence number is missing')
  if (body.sealedHead !== inspection.state.head?.hash)
    return refuse(
      'head-moved',
      'something was entered since this record was shown: read it again before signing',
    )
  return OK
}
