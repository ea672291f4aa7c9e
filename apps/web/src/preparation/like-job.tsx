import { useEffect, useState } from 'react'
import { useSearchParams } from 'react-router'
import type { JobBundle, JobPage, SheetSummary } from '@plumb-mark/contract'
import {
  reinspectionJob,
  fold,
  likeJob,
  type AsBuilt,
  type Change,
  type JobHeader,
  type UnitBuilt,
} from '@plumb-mark/core'
import { get } from '../data/api.js'
import { useResource } from '../data/resource.js'
import { Note } from '../ui/theme/text.js'
import { ChoiceField } from '../ui/choice-field.js'
import { Tick } from '../ui/tick.js'
import { Problem } from '../ui/problem.js'

/** What is taken over from an earlier job. */
export interface Like {
  header: JobHeader
  units: UnitBuilt[]
  asBuilt: AsBuilt
  /** The job that it is like, and whether it is the same installation, inspected again. */
  job: { jobId: string; number: string }
  again: boolean
  /** Units whose sheet is not in the library any more. */
  leftOut: string[]
}

/** A job that is built like an earlier one begins with what was built there; nothing that was read there is taken over. */
export function LikeJob({
  library,
  like,
  onChoose,
}: {
  library: readonly SheetSummary[]
  like: Like | undefined
  onChoose: (like: Like | undefined) => void
}) {
  const { value: data } = useResource<JobPage>('/api/jobs?limit=100')
  const [jobId, setJobId] = useState('')
  const [search] = useSearchParams()
  const asked = search.get('again')
  const [problem, setProblem] = useState('')
  const jobs = data?.jobs ?? []
  const choose = async (id: string) => {
    setJobId(id)
    setProblem('')
    if (id === '') return onChoose(undefined)
    try {
      onChoose(likeOf(await get<JobBundle>(`/api/jobs/${id}`), library, id === asked))
    } catch (fault) {
      setProblem((fault as Error).message)
      onChoose(undefined)
    }
  }
  useEffect(() => {
    if (asked && library.length > 0) void choose(asked)
    // Asked for by the address, once.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [asked, library.length > 0])
  // What can be taken over is known once the library is here.
  if (jobs.length === 0 || library.length === 0) return null
  return (
    <>
      <ChoiceField
        label="Built like"
        value={jobId}
        options={[
          ['', 'no earlier job'],
          ...jobs.map(({ id, number, title }) => [id, `${number} ${title}`] as const),
        ]}
        onChange={(id) => void choose(id)}
      />
      <Problem>{problem}</Problem>
      {like && (
        <Tick
          label="It is the same installation, inspected again"
          checked={like.again}
          onChange={(again) => onChoose({ ...like, again })}
        />
      )}
      {like?.again && (
        <Note>
          Taken over as it stood, to be looked at again: its walls, places and serials as well, never its
          readings nor the tape, so that nothing conforms before it is measured anew. What changed since{' '}
          {like.job.number} and what drifts is then told.
        </Note>
      )}
      {like && !like.again && (
        <Note>
          Taken over as a proposal, to be looked at like everything else: its rules, {like.units.length}{' '}
          units, {countOf(like, 'string-built')} strings, {countOf(like, 'bond-made')} bonds,{' '}
          {countOf(like, 'conductor-run')} cables. Never its serials, walls and readings.
          {like.leftOut.length > 0 &&
            ` Left out, since their sheets are not in the library: ${like.leftOut.join(', ')}.`}
        </Note>
      )}
    </>
  )
}

const countOf = (like: Like, kind: Change['kind']) =>
  changesOf(like, new Set(like.units.map(({ id }) => id))).filter((change) => change.kind === kind).length

/** What is taken over for the units that the new job has. */
export const changesOf = (like: Like | undefined, units: ReadonlySet<string>): Change[] =>
  !like ? [] : like.again ? reinspectionJob(like.asBuilt, units) : likeJob(like.asBuilt, units)

function likeOf({ id: jobId, entries }: JobBundle, library: readonly SheetSummary[], again: boolean): Like {
  const { header, asBuilt } = fold(entries)
  if (!header) throw new Error('that job cannot be read')
  const known = new Set(library.map(({ id }) => id))
  const units = asBuilt.units.filter(({ sheetId }) => known.has(sheetId))
  return {
    header,
    units: units.map(({ id, label, sheetId }) => ({ id, label, sheetId })),
    asBuilt,
    job: { jobId, number: header.number },
    again,
    leftOut: asBuilt.units.filter(({ sheetId }) => !known.has(sheetId)).map(({ label }) => label),
  }
}
