import { Button, Flex, Grid, Stack, Text } from '@chakra-ui/react'
import { Plus, X } from 'lucide-react'
import { useState } from 'react'
import type { IntervalsDto } from '@plumb-mark/contract'
import type { Interval } from '@plumb-mark/core'
import { put } from '../data/api.js'
import { useReload, useResource } from '../data/resource.js'
import { Note } from '../ui/theme/text.js'
import { ChoiceField } from '../ui/choice-field.js'
import { Problem } from '../ui/problem.js'
import { CountField, TextField } from '../ui/text-field.js'
import { IconButton } from '../ui/buttons.js'

const ADDRESS = '/api/office/intervals'

/** After how many months installations are inspected again, by their rules and their country. */
export function Intervals() {
  const { value: data, problem } = useResource<IntervalsDto>(ADDRESS)
  if (problem) return <Problem mt="10px">{problem}</Problem>
  if (!data) return <Text role="status">Loading…</Text>
  return <Form key={JSON.stringify(data)} kept={data.intervals as Interval[]} />
}

function Form({ kept }: { kept: Interval[] }) {
  const reload = useReload()
  const [rows, setRows] = useState(kept)
  const [problem, setProblem] = useState('')
  const set = (i: number, part: Partial<Interval>) =>
    setRows(rows.map((row, at) => (at === i ? said({ ...row, ...part }) : row)))
  const save = async () => {
    try {
      await put(ADDRESS, { intervals: rows })
      setProblem('')
      await reload(ADDRESS, '/api/due-again')
    } catch (fault) {
      setProblem((fault as Error).message)
    }
  }
  const changed = JSON.stringify(rows) !== JSON.stringify(kept)
  return (
    <Stack
      as="form"
      gap="12px"
      mt="12px"
      maxW="720px"
      onSubmit={(event: React.FormEvent) => (event.preventDefault(), void save())}
    >
      <Note>
        The row that says most of an installation counts, its country before its rules. The law, the insurer
        and the network operator may ask for less.
      </Note>
      {rows.length === 0 && <Text>Nothing comes round by itself yet: add the first interval.</Text>}
      {rows.map((row, i) => (
        <Grid
          key={i}
          templateColumns={{ base: '1fr 1fr', md: '1fr 1fr 1fr auto' }}
          gap="10px"
          alignItems="end"
        >
          <ChoiceField
            label="Rules"
            value={row.school ?? ''}
            options={[
              ['', 'any'],
              ['iec', 'IEC-style'],
              ['nec', 'NEC-style'],
            ]}
            onChange={(school) => set(i, { school: school === '' ? undefined : school })}
          />
          <TextField
            label="Country, two letters"
            value={row.country ?? ''}
            onChange={(country) => set(i, { country: country.trim().toUpperCase() || undefined })}
          />
          <CountField
            label="Months"
            most={600}
            value={row.months}
            onChange={(months) => set(i, { months })}
          />
          <IconButton
            aria-label={`Remove interval ${i + 1}`}
            onClick={() => setRows(rows.filter((_, at) => at !== i))}
          >
            <X size={18} />
          </IconButton>
        </Grid>
      ))}
      <Flex gap="10px">
        <Button variant="outline" onClick={() => setRows([...rows, { months: 48 }])}>
          <Plus size={17} /> Interval
        </Button>
        <Button type="submit" disabled={!changed}>
          Save
        </Button>
      </Flex>
      <Problem>{problem}</Problem>
    </Stack>
  )
}

/** What is not said is left out: it then fits any. */
const said = ({ school, country, months }: Interval): Interval => ({
  ...(school && { school }),
  ...(country && { country }),
  months,
})
