import { Box, Button, Grid, Text } from '@chakra-ui/react'
import { useState, type FormEvent } from 'react'
import type { PersonKept } from '@plumb-mark/contract'
import { ROLES } from '@plumb-mark/core'
import { ChoiceField, optionsOf } from '../ui/choice-field.js'
import { TextField } from '../ui/text-field.js'
import { SmallPrint } from '../ui/theme/text.js'
import { Cluster } from '../ui/cluster.js'

/** Somebody who may come in; what is changed of them is saved together, and nothing before. */
export function PersonRow({
  person,
  onChange,
  onInvite,
}: {
  person: PersonKept
  /** Whether it was taken. */
  onChange: (wish: object) => Promise<boolean>
  onInvite: () => void
}) {
  const [editing, setEditing] = useState(false)
  const { name, email, role, licence, disabledAt, invited } = person
  return (
    <Box layerStyle="ruleAbove" py="10px" role="group" aria-label={name}>
      <Cluster alignItems="end">
        <Box flex="1" minW="200px">
          <Text fontWeight={600} color={disabledAt ? 'faint' : undefined}>
            {name}
          </Text>
          <SmallPrint>
            {role}, {email}
            {licence ? `, licence ${licence}` : ''}
            {disabledAt ? ', disabled' : invited ? ', invited, no password yet' : ''}
          </SmallPrint>
        </Box>
        <Button variant="outline" aria-expanded={editing} onClick={() => setEditing(!editing)}>
          Edit
        </Button>
        <Button variant="outline" disabled={!!disabledAt} onClick={onInvite}>
          {invited ? 'New link' : 'Reset by link'}
        </Button>
        <Button variant="plain" onClick={() => void onChange({ disabled: !disabledAt })}>
          {disabledAt ? 'Enable' : 'Disable'}
        </Button>
      </Cluster>
      {editing && <Editing person={person} onChange={onChange} onDone={() => setEditing(false)} />}
    </Box>
  )
}

function Editing({
  person,
  onChange,
  onDone,
}: {
  person: PersonKept
  onChange: (wish: object) => Promise<boolean>
  onDone: () => void
}) {
  const [wish, setWish] = useState({
    name: person.name,
    email: person.email,
    role: person.role,
    licence: person.licence ?? '',
  })
  const set = (part: Partial<typeof wish>) => setWish({ ...wish, ...part })
  const save = async (event: FormEvent) => {
    event.preventDefault()
    if (await onChange(wish)) onDone()
  }
  return (
    <form onSubmit={(event) => void save(event)} aria-label={`Edit ${person.name}`}>
      <Grid
        templateColumns={{ base: '1fr', md: '1fr 1fr 140px 120px auto auto' }}
        gap="10px"
        alignItems="end"
        mt="8px"
      >
        <TextField label="Name" value={wish.name} onChange={(name) => set({ name })} required />
        <TextField
          label="E-mail"
          type="email"
          value={wish.email}
          onChange={(email) => set({ email })}
          required
        />
        <ChoiceField
          label="Role"
          value={wish.role}
          options={optionsOf(ROLES, (role) => role)}
          onChange={(role) => set({ role })}
        />
        <TextField label="Licence" value={wish.licence} onChange={(licence) => set({ licence })} />
        <Button type="submit">Save</Button>
        <Button variant="plain" onClick={onDone}>
          Cancel
        </Button>
      </Grid>
    </form>
  )
}
