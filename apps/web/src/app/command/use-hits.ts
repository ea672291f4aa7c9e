import { useNavigate } from 'react-router'
import type { JobPage, SheetSummary } from '@plumb-mark/contract'
import {
  STAGE_TITLES,
  checksMeant,
  readingBody,
  type Meant,
  type Message,
  type Verdict,
} from '@plumb-mark/core'
import { CATALOGUE } from '../../data/calculators/catalogue.js'
import { checkAddress } from '../../job/check-in-address.js'
import { useCommit } from '../../job/use-commit.js'
import { useResource } from '../../data/resource.js'
import { useDecimal } from '../../data/preferences.js'
import { choiceOf, useInputDefaults } from '../../data/input-defaults.js'
import { useInspection } from '../../job/inspection.js'
import { useMessageText } from '../../job/message-text.js'
import { useSession } from '../../data/session.js'

/** Something that a line of words leads to. */
export interface Hit {
  key: string
  title: string
  detail: string
  verdict?: Verdict | undefined
  /** What Enter does, in a word. */
  does: string
  go: () => void
}

const FEW = 4
const LEAST = 2

/** What a line means, in the open job first: a check, a reading, then jobs, sheets and calculators. */
export function useHits(line: string, jobId: string | undefined): Hit[] {
  const words = line.trim().toLowerCase()
  const checks = useCheckHits(line, jobId)
  const jobs = useJobHits(words)
  const fits = (text: string) => words.split(/\s+/).every((word) => text.toLowerCase().includes(word))
  const sheets = useSheetHits(words.length < LEAST ? () => false : fits)
  const calculators = useCalculatorHits(words.length < LEAST ? () => false : fits)
  return [...checks, ...jobs, ...sheets, ...calculators]
}

function useCheckHits(line: string, jobId: string | undefined): Hit[] {
  const navigate = useNavigate()
  const commit = useCommit()
  const saying = useMessageText()
  const { inspection, instruments } = useInspection()
  const lastUsed = useInputDefaults((habits) => habits.instruments)
  const decimal = useDecimal()
  const inspector = useSession(({ person }) => person?.role === 'inspector')
  if (!jobId || !inspection) return []
  const writable = inspector && !inspection.state.seal
  const instrumentFor = ({ ask }: Meant['check']) =>
    ask.kind === 'reading' ? choiceOf(instruments, ask.dimension, lastUsed[ask.dimension]).offered : undefined
  return checksMeant(line, inspection, { instrumentFor, habits: { decimal }, most: 7 }).map((meant) =>
    hitOf(meant, {
      saying,
      open: () => void navigate(checkAddress(jobId, meant.check.stage, meant.check.id)),
      // What a reading depends on beside itself is asked for where it is read.
      keep:
        writable &&
        meant.reading &&
        meant.check.ask.kind === 'reading' &&
        meant.check.ask.conditions.length === 0
          ? () => keep(commit, meant, instrumentFor(meant.check))
          : undefined,
    }),
  )
}

function keep(
  commit: ReturnType<typeof useCommit>,
  { check, reading }: Meant,
  instrument: ReturnType<typeof choiceOf>['offered'],
): boolean {
  if (!reading) return false
  return commit({ kind: 'reading', body: readingBody(check, reading, { instrument }) })
}

function hitOf(
  { check, outcome, reading }: Meant,
  {
    saying,
    open,
    keep: kept,
  }: { saying: (said: Message) => string; open: () => void; keep: (() => boolean) | undefined },
): Hit {
  const where = `${check.place} · ${STAGE_TITLES[check.stage]}`
  const title = check.title
  if (!reading)
    return { key: check.id, title, detail: where, verdict: outcome.verdict, does: 'open', go: open }
  const said = 'finding' in reading.outcome ? saying(reading.outcome.finding) : ''
  const { instrument } = reading.reading
  const by = instrument ? `read with ${instrument.name}` : 'no instrument in hand'
  return {
    key: check.id,
    title: `${title}: ${reading.reading.typed}`,
    detail: [where, said, by].filter(Boolean).join(' · '),
    verdict: reading.outcome.verdict,
    does: kept ? 'keep this reading' : 'open',
    go: () => {
      if (kept && !kept()) return
      open()
    },
  }
}

function useJobHits(words: string): Hit[] {
  const navigate = useNavigate()
  const role = useSession(({ person }) => person?.role)
  const { value: data } = useResource<JobPage>(
    words.length >= LEAST ? `/api/jobs?limit=${FEW}&q=${encodeURIComponent(words)}` : undefined,
    { freshMs: 10_000 },
  )
  return (data?.jobs ?? []).map(({ id, number, title, site }) => ({
    key: `job ${id}`,
    title: `${number} · ${title}`,
    detail: `job · ${site}`,
    does: 'open',
    go: () => void navigate(`/jobs/${id}/${role === 'installer' ? 'rework' : 'walk'}`),
  }))
}

function useSheetHits(fits: (text: string) => boolean): Hit[] {
  const navigate = useNavigate()
  const role = useSession(({ person }) => person?.role)
  const { value: data = [] } = useResource<SheetSummary[]>(role !== 'installer' ? '/api/sheets' : undefined, {
    freshMs: 60_000,
  })
  return data
    .filter(({ maker, model, revision, title }) => fits(`${maker} ${model} ${revision} ${title}`))
    .slice(0, FEW)
    .map(({ id, maker, model, revision, title }) => ({
      key: `sheet ${id}`,
      title: `${maker} ${model}, revision ${revision}`,
      detail: `sheet · ${title}`,
      does: 'open',
      go: () => void navigate(`/sheets/${id}`),
    }))
}

function useCalculatorHits(fits: (text: string) => boolean): Hit[] {
  const navigate = useNavigate()
  return Object.entries(CATALOGUE)
    .filter(([name, { title }]) => fits(`${title} ${name}`))
    .slice(0, FEW)
    .map(([name, { title }]) => ({
      key: `calculator ${name}`,
      title,
      detail: 'calculator',
      does: 'open',
      go: () => void navigate(`/calculators/${name}`),
    }))
}
