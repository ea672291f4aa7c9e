import { Injectable } from '@nestjs/common'
import { DataSource } from 'typeorm'
import type {
  DefectPage,
  DefectRow,
  DefectsQueryDto,
  DueDefect,
  JobPage,
  JobSort,
  JobSummary,
  JobsQueryDto,
  PatternRow,
  PatternsBy,
  PatternsQueryDto,
  Recurring,
  RecurringBy,
} from '@plumb-mark/contract'
import { recurrence, type ClauseHistory, type Person, type Tally } from '@plumb-mark/core'
import { SUMMARY_VERSION, type SummaryFacts } from './list-rows.js'
import { Where, searchWords } from './where.js'

const COLUMN_OF_SORT = {
  changed: 'changedAt',
  number: 'number',
  title: 'title',
  site: 'site',
  open: 'stop * 1000000 + major * 1000 + minor',
} as const satisfies Record<JobSort, string>

const WAITS_FOR = {
  installer: 'waitsForInstaller = 1',
  inspector: 'waitsForInspector = 1',
  office: 'waitsForOffice = 1',
  reviewer: 'waitsForReviewer = 1',
} as const

const STATE = {
  open: 'archived = 0 AND sealed = 0',
  sealed: 'archived = 0 AND sealed = 1',
  current: 'archived = 0',
  archived: 'archived = 1',
} as const

const GROUP_OF = {
  clause: `maker || ' ' || model || ', ' || title`,
  maker: 'maker',
  model: `maker || ' ' || model`,
  revision: `maker || ' ' || model || ' ' || revision`,
  installer: 'installer',
  month: 'substr(raisedAt, 1, 7)',
} as const satisfies Record<RecurringBy, string>

/** The quarter of the year in which a job was opened. */
const QUARTER = `CASE ((CAST(substr(openedAt, 6, 2) AS integer) % 12) / 3)
  WHEN 0 THEN 'December to February' WHEN 1 THEN 'March to May' WHEN 2 THEN 'June to August' ELSE 'September to November' END`

const PATTERN_OF = {
  clause: `maker || ' ' || model || ', ' || clause || ' ' || job_clauses.title`,
  maker: 'maker',
  model: `maker || ' ' || model`,
  revision: `maker || ' ' || model || ' ' || revision`,
  installer: 'installer',
  season: QUARTER,
} as const satisfies Record<PatternsBy, string>
const MOST_PATTERNS = 60

/** Asked one after the other by an installer's rows: what is not shared with them is not there. */
const SHARED = 'jobId IN (SELECT jobId FROM job_people WHERE personId = ?)'
const sharedOnly = (person: Person) => (person.role === 'installer' ? person.id : undefined)

interface SummaryRow extends Omit<JobSummary, 'id' | 'sealed' | 'archived' | 'open'> {
  jobId: string
  sealed: number
  archived: number
  stop: number
  major: number
  minor: number
  note: number
  facts: string
}

/** Lists of all jobs and all defects, read from rows that were written with the entries: no job is opened for them. */
@Injectable()
export class ListsService {
  constructor(private readonly db: DataSource) {}

  async jobs(person: Person, wish: JobsQueryDto): Promise<JobPage> {
    const words = searchWords(wish.q)
    const where = new Where()
      .and(STATE[wish.state ?? 'current'])
      .and(SHARED, sharedOnly(person))
      .and('n IN (SELECT rowid FROM job_search WHERE job_search MATCH ?)', words.match)
      .and('? = 0', words.empty)
      .and("site LIKE ? ESCAPE '\\'", wish.site && `%${wish.site.replace(/[\\%_]/g, '\\$&')}%`)
      .and('changedAt >= ?', wish.from)
      .and('changedAt < ?', wish.to && dayAfter(wish.to))
      .and('jobId IN (SELECT jobId FROM job_stages WHERE stage = ?)', wish.stage)
      .and('jobId IN (SELECT jobId FROM job_things WHERE maker = ?)', wish.maker)
      .and('jobId IN (SELECT jobId FROM job_things WHERE model = ?)', wish.model)
      .and('jobId IN (SELECT jobId FROM job_things WHERE serial = ?)', wish.serial)
    if (wish.severity) where.and(`${wish.severity} > 0`)
    if (wish.waits) where.and(WAITS_FOR[wish.waits])
    const { limit = 50, offset = 0 } = wish
    const order =
      wish.order ??
      (wish.sort === undefined || wish.sort === 'changed' || wish.sort === 'open' ? 'desc' : 'asc')
    const rows = (await this.db.query(
      `SELECT * FROM job_summaries ${where.sql} ORDER BY ${COLUMN_OF_SORT[wish.sort ?? 'changed']} ${order}, n LIMIT ? OFFSET ?`,
      [...where.values, limit, offset],
    )) as SummaryRow[]
    const total = await this.count(`job_summaries ${where.sql}`, where.values)
    const beingRead = await this.count('job_summaries WHERE version <> ?', [SUMMARY_VERSION])
    return { jobs: rows.map(asSummary), total, beingRead, ...(words.note && { note: words.note }) }
  }

  async defects(person: Person, wish: DefectsQueryDto): Promise<DefectPage> {
    const where = defectsWhere(person, wish)
    const rows = (await this.db.query(
      `SELECT job_defects.*, job_summaries.number, job_summaries.title AS job, job_summaries.site,
         ${OVERDUE} AS overdue
       FROM job_defects
       JOIN job_summaries USING (jobId) ${where.sql} ORDER BY overdue DESC, raisedAt DESC, id LIMIT ? OFFSET ?`,
      [new Date().toISOString(), ...where.values, wish.limit ?? 50, wish.offset ?? 0],
    )) as (Omit<DefectRow, 'open' | 'overdue'> & { open: number; overdue: number; dueUntil: string })[]
    const total = await this.count(`job_defects ${where.sql}`, where.values)
    const { note } = searchWords(wish.q)
    const defects = rows.map(({ dueUntil: _, ...row }) => ({
      ...row,
      open: row.open === 1,
      overdue: row.overdue === 1,
    }))
    return { defects, total, ...(note && { note }) }
  }

  /** What of open defects is due on a day, for the calendar. */
  async dues(): Promise<DueDefect[]> {
    return this.db.query<DueDefect[]>(
      `SELECT id, jobId, number, site, job_defects.title, place, due, responsible FROM job_defects
       JOIN job_summaries USING (jobId) WHERE open = 1 AND due <> '' ORDER BY due LIMIT 2000`,
    )
  }

  /** What comes back: the same thing in several jobs, the most often first. */
  async recurring(person: Person, by: RecurringBy, wish: DefectsQueryDto): Promise<Recurring[]> {
    const where = defectsWhere(person, wish)
    const order = by === 'month' ? 'key' : 'jobs DESC, defects DESC, key'
    return (await this.db.query(
      `SELECT ${GROUP_OF[by]} AS key, count(DISTINCT jobId) AS jobs, count(*) AS defects, sum(open) AS open,
         min(maker) AS maker, min(model) AS model, min(revision) AS revision, min(clause) AS clause, min(installer) AS installer
       FROM job_defects ${where.sql} GROUP BY key ORDER BY ${order} LIMIT 40`,
      where.values,
    )) as Recurring[]
  }

  /** What fails more often than the rest, by one of its sides; of an installer's own jobs, what they have to do with. */
  async patterns(person: Person, { by, ...wish }: PatternsQueryDto): Promise<PatternRow[]> {
    const where = new Where()
      .and(SHARED.replace('jobId', 'job_clauses.jobId'), sharedOnly(person))
      .and('maker = ?', wish.maker)
      .and('model = ?', wish.model)
      .and('installer = ?', wish.installer)
    if (by === 'installer') where.and(`installer <> ''`)
    const rows = (await this.db.query(
      `SELECT ${PATTERN_OF[by]} AS key, count(*) AS judged, sum(failed) AS failed, min(stage) AS stage
       FROM job_clauses JOIN job_summaries USING (jobId) ${where.sql} GROUP BY key`,
      where.values,
    )) as (Tally & { stage: string })[]
    const stages = new Map(rows.map(({ key, stage }) => [key, stage]))
    return recurrence(rows)
      .slice(0, MOST_PATTERNS)
      .map((pattern) => ({ ...pattern, stage: by === 'clause' ? stages.get(pattern.key)! : '' }))
  }

  /** How often each clause was judged and failed, over all jobs; an installer is not asked. */
  async clauses(): Promise<ClauseHistory[]> {
    return (await this.db.query(
      `SELECT maker, model, clause, count(*) AS judged, sum(failed) AS failed
       FROM job_clauses GROUP BY maker, model, clause`,
    )) as ClauseHistory[]
  }

  /** The makers and models that are in any job, to choose from. */
  async things(person: Person): Promise<{ maker: string; model: string }[]> {
    const where = new Where().and(`maker <> ''`).and(SHARED, sharedOnly(person))
    return (await this.db.query(
      `SELECT DISTINCT maker, model FROM job_things ${where.sql} ORDER BY maker, model LIMIT 500`,
      where.values,
    )) as { maker: string; model: string }[]
  }

  private async count(from: string, values: readonly unknown[]): Promise<number> {
    const [{ count }] = (await this.db.query(`SELECT count(*) AS count FROM ${from}`, [...values])) as [
      { count: number },
    ]
    return count
  }
}

/** What was to be put right by a day that is over where the site is; asked at a moment, since a list is of many sites. */
const OVERDUE = `(open = 1 AND dueUntil <> '' AND dueUntil <= ?)`

function defectsWhere(person: Person, wish: DefectsQueryDto): Where {
  const where = new Where()
    .and(SHARED.replace('jobId', 'job_defects.jobId'), sharedOnly(person))
    .and('severity = ?', wish.severity)
    .and('maker = ?', wish.maker)
    .and('model = ?', wish.model)
    .and('revision = ?', wish.revision)
    .and('clause = ?', wish.clause)
    .and('installer = ?', wish.installer)
    .and('substr(raisedAt, 1, 7) = ?', wish.month)
    .and(
      'job_defects.jobId IN (SELECT s.jobId FROM job_search JOIN job_summaries s ON s.n = job_search.rowid WHERE job_search MATCH ?)',
      searchWords(wish.q).match,
    )
    .and('? = 0', searchWords(wish.q).empty)
  if ((wish.state ?? 'open') !== 'all') where.and(`open = ${wish.state === 'closed' ? 0 : 1}`)
  return where
}

const isOver = (until: string | undefined) => until !== undefined && until <= new Date().toISOString()

/** No day comes after the last that can be written: up to it is up to the end. */
const dayAfter = (day: string) =>
  day === '9999-12-31' ? undefined : new Date(Date.parse(day) + 86_400_000).toISOString().slice(0, 10)

function asSummary({
  jobId,
  facts,
  stop,
  major,
  minor,
  note,
  sealed,
  archived,
  ...row
}: SummaryRow): JobSummary {
  const { number, title, site, customer, changedAt } = row
  const said = JSON.parse(facts) as Partial<SummaryFacts>
  return {
    id: jobId,
    number,
    title,
    site,
    customer,
    changedAt,
    sealed: sealed === 1,
    archived: archived === 1,
    open: { stop, major, minor, note },
    waitingFor: said.waitingFor ?? 'being read again, since the program was renewed',
    owed: said.owed ?? [],
    left: said.left ?? {},
    ...(said.problem && { problem: said.problem }),
    ...(said.due && { due: said.due }),
    ...(sealed === 0 && isOver(said.dueUntil) && { overdue: true as const }),
  }
}
