import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import type { JobBundle, JobPage, SheetSummary } from '@plumb-mark/contract'
import { fold, likeJob, type AsBuilt, type Change, type JobHeader, type UnitBuilt } from '@plumb-mark/core'
import { get } from '../http/api.js'
import { Note } from '../look/text.js'
import { ChoiceField } from '../marks/choice-field.js'
import { Problem } from '../marks/problem.js'

/** What is taken over from an earlier job. */
export interface Like {
  header: JobHeader
  units: UnitBuilt[]
  asBuilt: AsBuilt
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
  const { data } = useQuery({
    queryKey: ['jobs', 'like'],
    queryFn: () => get<JobPage>('/api/jobs?limit=100'),
  })
  const [jobId, setJobId] = useState('')
  const [problem, setProblem] = useState('')
  const jobs = data?.jobs ?? []
  if (jobs.length === 0) return null
  const choose = async (id: string) => {
    setJobId(id)
    setProblem('')
    if (id === '') return onChoose(undefined)
    try {
      onChoose(likeOf(await get<JobBundle>(`/api/jobs/${id}`), library))
    } catch (fault) {
      setProblem((fault as Error).message)
      onChoose(undefined)
    }
  }
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
  like ? likeJob(like.asBuilt, units) : []

function likeOf({ entries }: JobBundle, library: readonly SheetSummary[]): Like {
  const { header, asBuilt } = fold(entries)
  if (!header) throw new Error('that job cannot be read')
  const known = new Set(library.map(({ id }) => id))
  const units = asBuilt.units.filter(({ sheetId }) => known.has(sheetId))
  return {
    header,
    units: units.map(({ id, label, sheetId, situation }) => ({
      id,
      label,
      sheetId,
      ...(situation && { situation }),
    })),
    asBuilt,
    leftOut: asBuilt.units.filter(({ sheetId }) => !known.has(sheetId)).map(({ label }) => label),
  }
}
