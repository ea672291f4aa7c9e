import type { Person } from '../../job/person.js'
import type { UnitWish } from '../new-job.js'
import { SCHOOLS, type JobHeader } from '../../job/header.js'
import { normaliseLabel } from '../../quantity/phrases.js'
import { attempt } from '../../shape/attempt.js'
import { dayField } from '../../shape/time.js'
import { readCsv, type CsvColumn, type CsvMapping, type CsvRead } from './table.js'

type Key = 'number' | 'title' | 'site' | 'customer' | 'units' | 'people' | 'due' | 'rules'

export const JOB_COLUMNS: readonly CsvColumn<Key>[] = [
  { key: 'number', header: 'number', alias: ['no', 'job'], required: true },
  { key: 'title', header: 'title', alias: ['name'], required: true },
  { key: 'site', header: 'site', alias: ['address'], required: true },
  { key: 'customer', header: 'customer', required: true },
  { key: 'units', header: 'units' },
  { key: 'people', header: 'people', alias: ['assigned'] },
  { key: 'due', header: 'due' },
  { key: 'rules', header: 'rules' },
]

/** A job of a file: what is to be inspected, by whom, until when. */
export interface JobRow {
  number: string
  title: string
  site: string
  customer: string
  school: JobHeader['school']
  units: UnitWish[]
  people: Person[]
  due?: string
}

export interface JobsKnown {
  /** The newest revision of each model stands first. */
  sheets: readonly { id: string; maker: string; model: string }[]
  people: readonly Person[]
}

/**
 * Jobs of a file, to be opened all together. Units are named by maker and model, several with their number: “2 × Nobody N-5; Nobody B-10”.
 * People are named as they are called here.
 */
export function jobsIn(
  rows: readonly Record<string, string | undefined>[],
  mapping: CsvMapping,
  { sheets, people }: JobsKnown,
): CsvRead<JobRow> {
  const taken = new Set<string>()
  return readCsv(rows, JOB_COLUMNS, mapping, (row, fault) => {
    const { number, title, site, customer, due = '', rules = '' } = row
    if (taken.has(number)) return fault('number', 'stands twice in this file')
    taken.add(number)
    const school = rules === '' ? 'iec' : SCHOOLS.find((one) => rules.toLowerCase().startsWith(one))
    if (!school) return fault('rules', `must be one of ${SCHOOLS.join(', ').toUpperCase()}`)
    if (due !== '' && !isDay(due)) return fault('due', 'must be a day, as 2026-06-01')
    const units: UnitWish[] = []
    for (const cell of listOf(row.units)) {
      const unit = unitIn(cell, sheets)
      if (!unit) return fault('units', `no sheet here is called “${cell}”`)
      units.push(unit)
    }
    const named: Person[] = []
    for (const cell of listOf(row.people)) {
      const [found, another] = people.filter(({ name }) => normaliseLabel(name) === normaliseLabel(cell))
      if (!found) return fault('people', `nobody here is called “${cell}”`)
      if (another) return fault('people', `more than one here is called “${cell}”: assign them in the job`)
      named.push({ id: found.id, name: found.name, role: found.role })
    }
    return { number, title, site, customer, school, units, people: named, ...(due && { due }) }
  })
}

const listOf = (cell: string | undefined): string[] =>
  (cell ?? '')
    .split(';')
    .map((part) => part.trim())
    .filter(Boolean)

const MOST_OF_A_KIND = 20

function unitIn(cell: string, sheets: JobsKnown['sheets']): UnitWish | undefined {
  const [, times = '1', name = ''] = /^(?:(\d+)\s*[x×]\s*)?(.+)$/i.exec(cell) ?? []
  const count = Number(times)
  const sheet = sheets.find(
    ({ maker, model }) => normaliseLabel(`${maker} ${model}`) === normaliseLabel(name),
  )
  return sheet && count >= 1 && count <= MOST_OF_A_KIND
    ? { sheetId: sheet.id, label: sheet.model, count }
    : undefined
}

const isDay = (text: string): boolean => attempt(() => dayField.read(text, 'due')).ok
