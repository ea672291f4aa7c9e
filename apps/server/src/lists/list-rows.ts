import type { EntityManager } from 'typeorm'
import type { JobSummary } from '@plumb-mark/contract'
import {
  clausesJudged,
  endOfSiteDay,
  isOpen,
  waitingFor,
  type Inspection,
  type JobHeader,
  type JobId,
  type Role,
  type Severity,
} from '@plumb-mark/core'

/** What a list shows of a job beside its own columns, as JSON. */
export interface SummaryFacts extends Pick<JobSummary, 'waitingFor' | 'owed' | 'problem' | 'left' | 'due'> {
  /** When the day of `due` is over at the site. */
  dueUntil?: string | undefined
  /** By what an installation comes round again: when it was signed, its rules and country, and the job before it. */
  signedAt?: string | undefined
  school?: JobHeader['school'] | undefined
  country?: string | undefined
  again?: string | undefined
}

/** Rows of an earlier version say too little: they are made anew after the start. Raised with every change of what they hold. */
export const SUMMARY_VERSION = 6

/** Everything that lists, filters and searches know of a job: each table with the rows that the job has in it, in the order of its columns. */
export interface ListRows {
  summary: Readonly<Record<string, string | number>>
  stages: readonly string[]
  things: readonly (readonly string[])[]
  defects: readonly (readonly (string | number)[])[]
  clauses: readonly (readonly (string | number)[])[]
  search: readonly string[]
}

const NAMELESS = { number: '', title: '', site: '', customer: '' }
/** A job asks one inspection for its rows before an entry and once after it. */
const made = new WeakMap<Inspection, ListRows>()

/** What follows from a judged job for the lists. */
export function listRowsOf(inspection: Inspection): ListRows {
  const before = made.get(inspection)
  if (before) return before
  const rows = rowsOf(inspection)
  made.set(inspection, rows)
  return rows
}

function rowsOf(inspection: Inspection): ListRows {
  const { state, defects, checks } = inspection
  const { number, title, site, customer } = state.header ?? NAMELESS
  const { owed, words } = waitingFor(inspection)
  const count = (severity: Severity) =>
    defects.filter((defect) => defect.severity === severity && isOpen(defect)).length
  const left: Record<string, number> = {}
  for (const { check, outcome } of checks)
    if (outcome.verdict === 'not-inspected') left[check.stage] = (left[check.stage] ?? 0) + 1
  const owes = (who: string) => owed.some((one) => one.who === who)
  const reads = (role: Role) => owes('the second reader') && state.secondReader?.person.role === role
  const sealed = state.seal !== undefined
  const facts: SummaryFacts = {
    waitingFor: words,
    owed,
    left,
    due: state.header?.due,
    dueUntil: state.header?.due && endOfSiteDay(state.header.due, state.header.timeZone),
    signedAt: state.seal?.at,
    school: state.header?.school,
    country: state.header?.country,
    again: state.header?.again?.jobId,
  }
  const things = thingsOf(inspection)
  return {
    summary: {
      number,
      title,
      site,
      customer,
      sealed: Number(sealed),
      stop: count('stop'),
      major: count('major'),
      minor: count('minor'),
      note: count('note'),
      waitsForInstaller: Number(owes('the installer')),
      waitsForInspector: Number(owes('the inspector') || reads('inspector')),
      waitsForOffice: Number(owes('the office')),
      waitsForReviewer: Number(!sealed && (owed.length === 0 || reads('reviewer'))),
      facts: JSON.stringify(facts),
    },
    stages: Object.keys(left),
    things,
    defects: defectsOf(inspection),
    clauses: clausesOf(inspection),
    search: [
      number,
      title,
      site,
      customer,
      [...new Set(things.map(([maker, model]) => `${maker} ${model}`))].join(' '),
      things
        .map(([, , serial]) => serial)
        .filter(Boolean)
        .join(' '),
      defects.map((defect) => `${defect.title} ${defect.place} ${defect.finding}`).join(' '),
    ],
  }
}

/** What stands on site that has a maker or a serial number. */
function thingsOf({ state: { asBuilt, header } }: Inspection): string[][] {
  const pinned = [...(header?.sheets ?? []), ...(header?.replaced ?? [])]
  const units = asBuilt.units.map(({ sheetId, serial = '' }) => {
    const sheet = pinned.find(({ id }) => id === sheetId)
    return [sheet?.maker ?? '', sheet?.model ?? '', serial]
  })
  const devices = asBuilt.array.devices.flatMap(({ serial }) => (serial ? [['', '', serial]] : []))
  return [...units, ...devices]
}

function defectsOf({ defects, checks, at, state }: Inspection): (string | number)[][] {
  const installer = state.sharedWith.map(({ name }) => name).join(', ')
  return defects.map((defect) => {
    const check = checks[at.byId.get(defect.checkId) ?? -1]?.check
    return [
      defect.id,
      defect.checkId,
      check?.requirement.clause ?? '',
      defect.severity,
      defect.state,
      Number(isOpen(defect)),
      defect.title,
      defect.place,
      defect.finding,
      check?.stage ?? '',
      check?.sheet.maker ?? '',
      check?.sheet.model ?? '',
      check?.sheet.revision ?? '',
      installer,
      defect.raised.at,
      defect.due ?? '',
      defect.responsible ?? '',
      defect.raised.by.name,
      defect.due ? endOfSiteDay(defect.due, state.header?.timeZone) : '',
    ]
  })
}

/** Which clauses were judged here, and which of them failed. */
function clausesOf(inspection: Inspection): (string | number)[][] {
  const installer = inspection.state.sharedWith.map(({ name }) => name).join(', ')
  return clausesJudged(inspection).map(({ maker, model, revision, clause, title, stage, failed }) => [
    maker,
    model,
    revision,
    clause,
    title,
    stage,
    Number(failed),
    installer,
  ])
}

/** The rows of a job that nothing more can be said of than what stands in its header. */
export function unjudgedRows(
  {
    number,
    title = '',
    site = '',
    customer = '',
  }: { number: string; title?: string; site?: string; customer?: string },
  sealed: boolean,
): ListRows {
  const facts: SummaryFacts = {
    left: {},
    owed: [],
    waitingFor: 'somebody to put right what cannot be judged',
    problem: 'this job cannot be judged: open it to see and correct what was entered; the fault is logged',
  }
  const summary = { number, title, site, customer, sealed: Number(sealed), facts: JSON.stringify(facts) }
  return {
    summary,
    stages: [],
    things: [],
    defects: [],
    clauses: [],
    search: [number, title, site, customer, '', '', ''],
  }
}

/** Writes what lists know of a job, in the transaction of its entries; of what is as it was, nothing is touched. */
export async function writeListRows(
  db: EntityManager,
  jobId: JobId,
  { openedAt, changedAt }: { openedAt: string; changedAt: string },
  rows: ListRows,
  before?: ListRows,
): Promise<void> {
  const summary = { ...rows.summary, jobId, version: SUMMARY_VERSION, openedAt, changedAt }
  const columns = Object.keys(summary)
  const set = columns.filter((name) => name !== 'jobId').map((name) => `${name} = excluded.${name}`)
  const [{ n }] = (await db.query(
    `INSERT INTO job_summaries (${columns.join(', ')}) VALUES (${places(columns)})
     ON CONFLICT (jobId) DO UPDATE SET ${set.join(', ')} RETURNING n`,
    Object.values(summary),
  )) as [{ n: number }]
  const differs = (part: keyof ListRows) =>
    before === undefined || JSON.stringify(rows[part]) !== JSON.stringify(before[part])
  if (differs('stages')) {
    await db.query('DELETE FROM job_stages WHERE jobId = ?', [jobId])
    for (const stage of rows.stages) await db.query('INSERT INTO job_stages VALUES (?, ?)', [jobId, stage])
  }
  if (differs('things')) {
    await db.query('DELETE FROM job_things WHERE jobId = ?', [jobId])
    for (const thing of rows.things)
      await db.query('INSERT INTO job_things (jobId, maker, model, serial) VALUES (?, ?, ?, ?)', [
        jobId,
        ...thing,
      ])
  }
  if (differs('defects')) {
    await db.query('DELETE FROM job_defects WHERE jobId = ?', [jobId])
    for (const [id, ...rest] of rows.defects)
      await db.query(`INSERT INTO job_defects VALUES (?, ?, ${places(rest)})`, [id, jobId, ...rest])
  }
  if (differs('clauses')) {
    // A reading changes one of them, if any: the others are left alone.
    const known = new Set(before?.clauses.map((row) => JSON.stringify(row)))
    const now = new Set(rows.clauses.map((row) => JSON.stringify(row)))
    if (!before) await db.query('DELETE FROM job_clauses WHERE jobId = ?', [jobId])
    for (const gone of before?.clauses.filter((row) => !now.has(JSON.stringify(row))) ?? [])
      await db.query(
        'DELETE FROM job_clauses WHERE jobId = ? AND maker = ? AND model = ? AND revision = ? AND clause = ? AND title = ?',
        [jobId, ...gone.slice(0, 5)],
      )
    for (const row of rows.clauses.filter((one) => !known.has(JSON.stringify(one))))
      await db.query(`INSERT INTO job_clauses VALUES (?, ${places(row)})`, [jobId, ...row])
  }
  if (differs('search')) {
    await db.query('DELETE FROM job_search WHERE rowid = ?', [n])
    await db.query(
      `INSERT INTO job_search (rowid, number, title, site, customer, things, serials, defects) VALUES (?, ${places(rows.search)})`,
      [n, ...rows.search],
    )
  }
}

const places = (list: readonly unknown[]) => list.map(() => '?').join(', ')
