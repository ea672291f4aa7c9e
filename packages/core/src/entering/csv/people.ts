import { ROLES, type Role } from '../../job/person.js'
import { readCsv, type CsvColumn, type CsvMapping, type CsvRead, type CsvTable } from './table.js'

type Key = 'name' | 'email' | 'role' | 'licence'

export const PEOPLE_COLUMNS: readonly CsvColumn<Key>[] = [
  { key: 'name', header: 'name', required: true },
  { key: 'email', header: 'e-mail', alias: ['email', 'mail'], required: true },
  { key: 'role', header: 'role', required: true },
  { key: 'licence', header: 'licence', alias: ['license'] },
]

export interface PersonRow {
  name: string
  email: string
  role: Role
  licence?: string | undefined
}

export const peopleOut = (people: readonly PersonRow[]): CsvTable => ({
  columns: PEOPLE_COLUMNS,
  rows: people.map(({ name, email, role, licence = '' }) => ({ name, email, role, licence })),
})

/** People of a file, to be invited; whoever is here already is told. */
export function peopleIn(
  rows: readonly Record<string, string | undefined>[],
  mapping: CsvMapping,
  { known }: { known: readonly string[] },
): CsvRead<PersonRow> {
  const taken = new Set(known.map((email) => email.toLowerCase()))
  return readCsv(rows, PEOPLE_COLUMNS, mapping, ({ name, email, role, licence }, fault) => {
    const listed = ROLES.find((one) => one === role.toLowerCase())
    if (!listed) return fault('role', `must be one of ${ROLES.join(', ')}`)
    if (!/^\S+@\S+\.\S+$/.test(email)) return fault('email', 'is no e-mail address')
    if (taken.has(email.toLowerCase())) return fault('email', 'somebody has this address already')
    taken.add(email.toLowerCase())
    return { name, email, role: listed, ...(licence && { licence }) }
  })
}
