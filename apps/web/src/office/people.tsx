import { Box, Button, Grid } from '@chakra-ui/react'
import { useState } from 'react'
import type { OneTimeLink as Link, PersonKept } from '@plumb-mark/contract'
import { PEOPLE_COLUMNS, ROLES, peopleIn, peopleOut, type Role } from '@plumb-mark/core'
import { CsvExport } from '../ui/csv-export.js'
import { CsvImport } from '../ui/csv-import.js'
import { post, put } from '../data/api.js'
import { useResource } from '../data/resource.js'
import { ChoiceField, optionsOf } from '../ui/choice-field.js'
import { Problem } from '../ui/problem.js'
import { TextField } from '../ui/text-field.js'
import { OneTimeLink } from './one-time-link.js'
import { AssignedOnly } from './assigned-only.js'
import { PersonRow } from './person-row.js'
import { Cluster } from '../ui/cluster.js'

const ADDRESS = '/api/office/people'
const ROLE_OPTIONS = optionsOf(ROLES, (role) => role)

/** Who may come in: people are invited by a one-time link, change their role, and leave at once; what they entered keeps their name. */
export function People() {
  const { value: people = [], problem, reload } = useResource<PersonKept[]>(ADDRESS)
  const [link, setLink] = useState<{ of: string; link: Link }>()
  const [refused, setRefused] = useState('')
  const act = async (work: () => Promise<unknown>): Promise<boolean> => {
    try {
      setRefused('')
      await work()
      await reload()
      return true
    } catch (fault) {
      setRefused((fault as Error).message)
      return false
    }
  }
  const invite = ({ id, name }: PersonKept) =>
    void act(async () => setLink({ of: name, link: await post<Link>(`${ADDRESS}/${id}/link`) }))
  return (
    <Box as="section" aria-label="People" mt="14px">
      <Problem>{problem || refused}</Problem>
      {link && <OneTimeLink of={link.of} link={link.link} />}
      {people.map((person) => (
        <PersonRow
          key={person.id}
          person={person}
          onChange={(wish) => act(() => put(`${ADDRESS}/${person.id}`, wish))}
          onInvite={() => invite(person)}
        />
      ))}
      <Invite
        domains={domainsOf(people)}
        onInvite={(wish) =>
          act(async () => {
            const made = await post<{ person: PersonKept; link: Link }>(ADDRESS, wish)
            setLink({ of: made.person.name, link: made.link })
          })
        }
      />
      <Cluster mt="18px" alignItems="flex-start">
        <CsvExport label="Export people" name="people" table={() => peopleOut(people)} />
        <CsvImport
          subject="people"
          columns={PEOPLE_COLUMNS}
          read={(rows, mapping) => peopleIn(rows, mapping, { known: people.map(({ email }) => email) })}
          onTake={(wishes) =>
            post(`${ADDRESS}/import`, { people: wishes }).then(
              () => void reload(),
              (fault: Error) => fault.message,
            )
          }
        />
      </Cluster>
      <AssignedOnly />
    </Box>
  )
}

const MOST_DOMAINS = 2

/** Where the people of the firm have their e-mail, the usual one first. */
function domainsOf(people: readonly PersonKept[]): string[] {
  const counts = new Map<string, number>()
  for (const { email } of people) {
    const domain = email.split('@')[1]
    if (domain) counts.set(domain, (counts.get(domain) ?? 0) + 1)
  }
  return [...counts]
    .sort(([, a], [, b]) => b - a)
    .map(([domain]) => domain)
    .slice(0, MOST_DOMAINS)
}

function Invite({
  domains,
  onInvite,
}: {
  domains: readonly string[]
  onInvite: (wish: { name: string; email: string; role: Role; licence?: string }) => Promise<boolean>
}) {
  const [name, setName] = useState('')
  const [email, setEmail] = useState('')
  const [role, setRole] = useState<Role>('inspector')
  const [licence, setLicence] = useState('')
  const begun = email.trim()
  const send = async () => {
    if (!(await onInvite({ name, email, role, ...(licence && { licence }) }))) return
    setName('')
    setEmail('')
    setLicence('')
  }
  return (
    <form aria-label="Invite" onSubmit={(event) => (event.preventDefault(), void send())}>
      <Grid
        templateColumns={{ base: '1fr', md: '1fr 1fr 140px 120px auto' }}
        gap="10px"
        alignItems="end"
        mt="14px"
      >
        <TextField label="Name" value={name} onChange={setName} required />
        <TextField label="E-mail" type="email" value={email} onChange={setEmail} required />
        {begun !== '' && !begun.includes('@') && (
          // Beneath its field on a phone, beneath the row where all stand in one.
          <Cluster gridColumn={{ md: '1 / -1' }} order={{ md: 1 }}>
            {domains.map((domain) => (
              <Button key={domain} variant="outline" onClick={() => setEmail(`${begun}@${domain}`)}>
                {begun}@{domain}
              </Button>
            ))}
          </Cluster>
        )}
        <ChoiceField label="Role" value={role} options={ROLE_OPTIONS} onChange={setRole} />
        <TextField label="Licence" value={licence} onChange={setLicence} />
        <Button type="submit">Invite</Button>
      </Grid>
    </form>
  )
}
