import { Button, Grid, Stack } from '@chakra-ui/react'
import { useState, type FormEvent } from 'react'
import type { JobRulesDto, ReportLook } from '@plumb-mark/contract'
import { put } from '../data/api.js'
import { siteZone } from '../data/here-time.js'
import { useReload, useResource } from '../data/resource.js'
import { AssignedOnly } from '../office/assigned-only.js'
import { ChoiceField } from '../ui/choice-field.js'
import { Problem } from '../ui/problem.js'
import { TextField } from '../ui/text-field.js'

const LOOK = '/api/office/report'
const RULES = '/api/office/job-rules'
const SCHOOL_WORDS = [
  ['iec', 'IEC-style, metric'],
  ['nec', 'NEC-style, US customary'],
] as const

/** The name on the reports, the rules that a new job begins with, and who may enter where. */
export function FirstRules() {
  const { value: look } = useResource<ReportLook>(LOOK)
  const { value: rules } = useResource<JobRulesDto>(RULES)
  return look && rules ? <Form key={JSON.stringify([look, rules])} look={look} rules={rules} /> : null
}

function Form({ look, rules }: { look: ReportLook; rules: JobRulesDto }) {
  const reload = useReload()
  const [name, setName] = useState(look.letterhead.name)
  const [school, setSchool] = useState(rules.school)
  const [problem, setProblem] = useState('')
  const save = async (event: FormEvent) => {
    event.preventDefault()
    const timeZone = rules.timeZone ?? siteZone()
    try {
      await put(LOOK, { ...look, letterhead: { ...look.letterhead, name: name.trim() } })
      await put(RULES, { ...rules, school, ...(timeZone && { timeZone }) })
      await reload(LOOK, RULES)
      setProblem('')
    } catch (fault) {
      setProblem((fault as Error).message)
    }
  }
  return (
    <Stack as="form" gap="12px" onSubmit={(event) => void save(event as FormEvent)}>
      <Grid templateColumns={{ base: '1fr', md: '1fr 260px' }} gap="12px">
        <TextField label="Office, as it signs its reports" value={name} onChange={setName} required />
        <ChoiceField label="A new job follows" value={school} options={SCHOOL_WORDS} onChange={setSchool} />
      </Grid>
      <Problem>{problem}</Problem>
      <Button type="submit" alignSelf="start">
        Save
      </Button>
      <AssignedOnly />
    </Stack>
  )
}
