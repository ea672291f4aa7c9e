import type { JobHeader, PinnedSheet } from '../job/header.js'
import type { Change } from '../job/entry.js'
import type { Person } from '../job/person.js'
import type { SheetId, UnitId } from '../ids/ids.js'

/** Units of one kind as they are proposed for a new job: nothing of them was seen yet. */
export interface UnitWish {
  /** Of the unit that it stands for, where it was taken over: what is tied to it keeps its name. */
  id?: UnitId | undefined
  sheetId: SheetId
  label: string
  count: number
  serial?: string | undefined
  placed?: 'indoors' | 'outdoors' | undefined
}

export interface JobWish {
  header: Omit<JobHeader, 'sheets'>
  units: readonly UnitWish[]
  /** Whom it is shared with, or assigned to. */
  people?: readonly Person[]
}

/**
 * The entries that open a job: its header with the sheets that its units need, the people, the units one by one. A serial belongs to one
 * unit, so of several none has it. `newId` makes a name that nothing has yet.
 */
export function newJob(
  { header, units, people = [] }: JobWish,
  library: readonly PinnedSheet[],
  newId: () => string,
): Change[] {
  const wanted = new Set<string>(units.map(({ sheetId }) => sheetId))
  const sheets = library
    .filter(({ id }) => wanted.has(id))
    .map(({ id, maker, model, revision, fingerprint }) => ({ id, maker, model, revision, fingerprint }))
  const words = Object.fromEntries(
    (['number', 'title', 'site', 'customer'] as const).map((name) => [name, header[name].trim()]),
  )
  return [
    { kind: 'job-opened', body: { ...header, ...words, sheets } },
    ...people.map(({ id, name, role }): Change => ({ kind: 'shared', body: { person: { id, name, role } } })),
    ...units.flatMap((unit) => fitted(unit, newId)),
  ]
}

function fitted({ id, sheetId, label, count, serial, placed }: UnitWish, newId: () => string): Change[] {
  return Array.from({ length: count }, (_, i): Change => ({
    kind: 'unit-fitted',
    body: {
      id: (count === 1 ? id : undefined) ?? `unit-${newId()}`,
      label: count > 1 ? `${label.trim()} ${i + 1}` : label.trim(),
      sheetId,
      ...(count === 1 && serial?.trim() && { serial: serial.trim() }),
      ...(placed && { situation: { placed } }),
    },
  }))
}
