import { useState } from 'react'
import { useNavigate } from 'react-router'
import type { SheetInLibrary, SheetSummary } from '@plumb-mark/contract'
import { UNIT_KIND_WORDS, sheetId } from '@plumb-mark/core'
import {
  KIND_GROUPS,
  decidedNotes,
  revisionAfter,
  sheetOf,
  sheetSource,
  type FactKind,
  type ReadFile,
  type SheetNames,
} from '@plumb-mark/manual'
import { useResource } from '../../data/resource.js'
import { useSession } from '../../data/session.js'
import { keepDraft } from '../editor/draft.js'
import { keepManual, type KeptManual } from './keep-manual.js'
import type { OpenBench } from './use-bench.js'

export interface Making {
  /** How much of the manual is cut out and sent, 0 to 1; undefined while nothing is made. */
  part: number | undefined
  problem: string | undefined
  make: () => Promise<void>
}

/** Sends the manual, makes the sheet of what was accepted, and opens it in the editor as a draft. */
export function useMaking({
  file,
  password,
  read,
  names,
  open: { bench, edition },
  before,
  notDemanded,
}: {
  file: File
  password: string | undefined
  read: ReadFile
  names: SheetNames
  open: Pick<OpenBench, 'bench' | 'edition'>
  before: SheetInLibrary | undefined
  notDemanded: readonly FactKind[]
}): Making {
  const go = useNavigate()
  const by = useSession(({ person }) => person?.name ?? '')
  const { value: library = [] } = useResource<SheetSummary[]>('/api/sheets')
  const revisions = library
    .filter(({ maker, model }) => maker === before?.sheet.maker && model === before.sheet.model)
    .map(({ revision }) => revision)
  const [part, setPart] = useState<number>()
  const [problem, setProblem] = useState<string>()
  const make = async () => {
    setPart(0)
    setProblem(undefined)
    const at = new Date().toISOString()
    const on = at.slice(0, 10)
    const decided = decidedNotes(bench)
    const manualOf = (kept: KeptManual) => ({
      ...kept,
      title: read.title || file.name,
      pages: read.pages.length,
      ...(decided.length > 0 && { decided: decided.map((what) => ({ what, by, on })) }),
      notDemanded: notDemanded.map((kind) => ({ what: KIND_GROUPS[kind].title.toLowerCase(), by, on })),
    })
    const head = {
      ...names,
      title: before?.sheet.title ?? `${UNIT_KIND_WORDS[names.kind]} ${names.model}`.trim(),
      date: on,
      source: read.title || file.name,
      revision: before ? revisionAfter(before.sheet.revision, revisions) : 'A',
    }
    const sheet = sheetOf(bench, read.device, head, edition)
    const kept = await keepManual(file, password, sheet, setPart).catch((fault: Error) => {
      // Without the manual the clauses could not be opened: it is told, and nothing that was decided is lost.
      setPart(undefined)
      setProblem(`The manual was not kept: ${fault.message}`)
    })
    if (!kept) return
    const text = sheetSource(withManual(sheet, manualOf(kept)))
    const base = before && sheetId(before.sheet)
    keepDraft(base, { text, at, fingerprint: before?.fingerprint })
    await go(base ? `/sheets/${base}/edit` : '/sheets/new')
  }
  return { part, problem, make }
}

/** The sheet with its manual before what it lists. */
function withManual(sheet: Record<string, unknown>, manual: object): Record<string, unknown> {
  const { ratings, terminals, requirements, ...head } = sheet
  return { ...head, manual, ratings, terminals, requirements }
}
