import {
  STAGES,
  STAGE_TITLES,
  inForce,
  placeIn,
  sayEvidence,
  type Evidence,
  type JudgedCheck,
  type Verdict,
} from '@plumb-mark/core'
import { beside, figure, quiet, type Block, type Cell } from '../block.js'
import { sayingOf, type ReportRecord, type Saying } from '../record.js'

/**
 * Every check, stage by stage, one row for a requirement: what conforms together, and each that does not by itself. What each place read
 * stands in the test tables.
 */
export function checks({ inspection }: ReportRecord): Block[] {
  const saying = sayingOf(inspection)
  return STAGES.flatMap((stage): Block[] => {
    const here = inspection.checks.filter(({ check }) => check.stage === stage)
    const asked = here.filter(({ outcome }) => outcome.verdict !== 'not-applicable')
    if (here.length === 0) return []
    const left = here.length - asked.length
    const rows = byRequirement(asked).flatMap((group) => rowsOf(group, saying))
    const full = rows.flatMap((row) => ('cells' in row ? [row.cells] : []))
    const briefly = (what: Brief['what']) =>
      rows.filter((row): row is Brief => 'what' in row && row.what === what)
    return [
      { kind: 'heading', text: STAGE_TITLES[stage] },
      ...(full.length > 0 ? [{ kind: 'table', columns: FULL, rows: full } as const] : []),
      ...inColumns('seen, and conforms', briefly('seen')),
      ...inColumns('not inspected', briefly('not-inspected')),
      ...(left > 0
        ? [
            {
              kind: 'text',
              as: 'quiet',
              text: `${left} more ${left === 1 ? 'check does' : 'checks do'} not apply here.`,
            } as const,
          ]
        : []),
    ]
  })
}

const FULL = [
  { head: 'check', share: 2.4 },
  { head: 'found', share: 2.1 },
  { head: 'required', share: 1.8 },
  { head: 'verdict', share: 1.3 },
  { head: 'clause', share: 0.8 },
]

/** A requirement of which there is one word to say: it stands with others of its kind, two to a row. */
interface Brief {
  what: 'seen' | 'not-inspected'
  title: Cell
  clause: Cell
}
type Row = { cells: Cell[] } | Brief

function inColumns(head: string, briefs: readonly Brief[]): Block[] {
  if (briefs.length === 0) return []
  const half = Math.ceil(briefs.length / 2)
  const cells = (brief: Brief | undefined): Cell[] => (brief ? [brief.title, brief.clause] : ['', ''])
  return [
    {
      kind: 'table',
      columns: [{ head, share: 3 }, { head: 'clause' }, { head: '', share: 3 }, { head: '' }],
      rows: briefs.slice(0, half).map((brief, i) => [...cells(brief), ...cells(briefs[half + i])]),
    },
  ]
}

function byRequirement(checks: readonly JudgedCheck[]): JudgedCheck[][] {
  const groups = new Map<string, JudgedCheck[]>()
  for (const judged of checks) {
    const key = `${judged.check.unit.sheetId} ${judged.check.requirement.id}`
    groups.set(key, [...(groups.get(key) ?? []), judged])
  }
  return [...groups.values()]
}

/** What was found to conform together, what nobody looked at together, and what does not conform or is not proven each by itself. */
function rowsOf(group: readonly JudgedCheck[], saying: Saying): Row[] {
  const of = (verdict: Verdict) => group.filter(({ outcome }) => outcome.verdict === verdict)
  const [good, left] = [of('conforms'), of('not-inspected')]
  return [
    ...(good.length === 0
      ? []
      : [isSeen(good[0]!) ? brief('seen', good, group) : several(good, group, saying)]),
    ...(left.length === 0 ? [] : [brief('not-inspected', left, group)]),
    ...[...of('does-not-conform'), ...of('not-proven')].map((judged) => alone(judged, group, saying)),
  ]
}

const isSeen = ({ check }: JudgedCheck): boolean =>
  check.ask.kind === 'observation' || (check.ask.kind === 'record' && check.ask.form === 'statement')

function brief(what: Brief['what'], those: readonly JudgedCheck[], group: readonly JudgedCheck[]): Brief {
  const walk = inForce(those[0]!.history)?.walkedOver
  const title = beside(
    those[0]!.check.requirement.title,
    placesOf(those, group),
    what === 'seen' && walk ? `seen on a walk over all ${walk.length}` : '',
  )
  return { what, title, clause: clauseOf(those[0]!) }
}

function several(those: readonly JudgedCheck[], group: readonly JudgedCheck[], saying: Saying): Row {
  const limits = [...new Set(those.map((judged) => requiredOf(judged, saying)))]
  return {
    cells: [
      beside(those[0]!.check.requirement.title, placesOf(those, group)),
      asFound(inShort(those, saying.say)),
      limits.length === 1 ? limits[0]! : 'as each of them asks',
      { verdict: 'conforms' },
      clauseOf(those[0]!),
    ],
  }
}

function alone(judged: JudgedCheck, group: readonly JudgedCheck[], saying: Saying): Row {
  const { check, history, outcome } = judged
  const last = inForce(history)
  const finding = 'finding' in outcome ? saying.say(outcome.finding) : ''
  return {
    cells: [
      beside(check.requirement.title, placeIn({ checks: group }, judged)),
      last && isBrief(last)
        ? { line: [figure(sayEvidence(check, last)), quiet(finding && ` · ${finding}`)] }
        : shortened(finding),
      requiredOf(judged, saying),
      { verdict: outcome.verdict },
      clauseOf(judged),
    ],
  }
}

/** The limit in words; of a question that is answered by looking the title says it, and what is long stands in its clause. */
function requiredOf({ check }: JudgedCheck, { say }: Saying): string {
  if (check.ask.kind === 'observation') return 'to be seen'
  const said = say(check.required)
  return said.length > LONGEST_LIMIT ? `as clause ${check.requirement.clause} says` : said
}

const clauseOf = ({ check }: JudgedCheck): Cell => quiet(`${check.sheet.model}, ${check.requirement.clause}`)

const MOST_PLACES = 4

/** “Inverter 1, Inverter 2”, or how many there are. */
function placesOf(checks: readonly JudgedCheck[], group: readonly JudgedCheck[]): string {
  if (checks.length > MOST_PLACES) return `${checks.length} places`
  return checks.map((judged) => placeIn({ checks: group }, judged)).join('; ')
}

/** What several that conform read, in one line: the same of all, or each of a few. */
function inShort(checks: readonly JudgedCheck[], say: Saying['say']): string {
  const said = [...new Set(checks.map((judged) => foundAt(judged, say)))]
  if (said.length === 1) return shortened(said[0]!)
  if (said.length <= MOST_PLACES) return shortened(said.join(' · '))
  return `${said.length} different, each as required`
}

function foundAt({ check, history, outcome }: JudgedCheck, say: Saying['say']): string {
  const last: Evidence | undefined = inForce(history)
  if (last && isBrief(last)) return sayEvidence(check, last)
  return 'finding' in outcome ? say(outcome.finding) : last ? sayEvidence(check, last) : '–'
}

/** Answers of several parts are said by what was found; theirs are tables of their own. */
const isBrief = ({ kind, body }: Evidence): boolean =>
  kind !== 'record' || 'chosen' in body.answer || 'agreed' in body.answer

/** A figure in the face of figures, words in that of words. */
const asFound = (text: string): Cell => (/^[\d<>≥≤−-]/.test(text) ? figure(text) : text)

const LONGEST_LIMIT = 60
const MOST_LETTERS = 90
const shortened = (text: string): string =>
  text.length <= MOST_LETTERS ? text : `${text.slice(0, MOST_LETTERS - 1)}…`
