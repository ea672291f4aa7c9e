import { Box, Button, Flex, Grid, HStack, Text, chakra } from '@chakra-ui/react'
import { Plus, X } from 'lucide-react'
import { useState } from 'react'
import { useNavigate } from 'react-router'
import { v7 as uuid } from 'uuid'
import type { JobRulesDto, SheetSummary } from '@plumb-mark/contract'
import { UNIT_KIND_WORDS, capital, newJob, sheetName, type NewEntry } from '@plumb-mark/core'
import { Frame } from '../layout/frame.js'
import { ApiError, post } from '../data/api.js'
import { useResource } from '../data/resource.js'
import { ChoiceField, type Option } from '../ui/choice-field.js'
import { Problem } from '../ui/problem.js'
import { CountField, TextField } from '../ui/text-field.js'
import { LikeJob, changesOf, type Like } from './like-job.js'
import { RulesForm, type Rules } from './rules-form.js'
import { useLibrary } from '../stages/identify/unit-form.js'
import { siteZone } from '../data/here-time.js'
import { IconButton } from '../ui/buttons.js'

const STEPS = ['Site', 'Rules', 'Units'] as const

interface UnitRow {
  /** Of the unit that it stands for, where it was taken over: what is tied to it keeps its name. */
  id?: string
  key: string
  sheetId: string
  label: string
  count: number
  serial: string
  placed: '' | 'indoors' | 'outdoors'
}

/** A new job in three steps: where, by which rules, which units. */
export function JobWizard() {
  const go = useNavigate()
  const library = useLibrary()
  const [step, setStep] = useState(0)
  const [site, setSite] = useState({ number: '', title: '', site: '', customer: '' })
  const { value: usual } = useResource<JobRulesDto>('/api/office/job-rules')
  const [changed, setRules] = useState<Rules>()
  const rules =
    changed ??
    ({
      school: usual?.school ?? 'iec',
      units: usual?.school === 'nec' ? 'us' : 'metric',
      ...defined({ timeZone: usual?.timeZone ?? siteZone(), country: usual?.country }),
      rule: 'guarded',
      earthMethod: 'table',
      copperBonds: false,
    } satisfies Rules)
  const [units, setUnits] = useState<UnitRow[]>([])
  const [like, setLike] = useState<Like>()
  const [problem, setProblem] = useState('')
  const [taken, setTaken] = useState('')
  const [opening, setOpening] = useState(false)
  const complete = [
    Object.values(site).every((said) => said.trim() !== ''),
    rules.timeZone !== undefined,
    units.every(({ sheetId, label }) => sheetId !== '' && label.trim() !== ''),
  ]
  const open = async () => {
    setOpening(true)
    const jobId = uuid()
    try {
      await post(`/api/jobs/${jobId}/entries`, { entries: entriesOf(site, rules, units, library, like) })
      await go(`/jobs/${jobId}/preparation`)
    } catch (fault) {
      const taken = fault instanceof ApiError && fault.code === 'number-taken'
      setProblem(taken ? '' : (fault as Error).message)
      setTaken(taken ? fault.message : '')
      if (taken) setStep(0)
      setOpening(false)
    }
  }
  const takeOver = (next: Like | undefined) => {
    setLike(next)
    if (!next) return setUnits([])
    const { school, units: system, rule, earthMethod, copperBonds, coldest, timeZone, country } = next.header
    if (next.again) {
      const { title, site: where, customer } = next.header
      // The number may be typed while the earlier job is still on its way.
      setSite((now) => ({ ...now, title, site: where, customer }))
    }
    setRules({
      ...rules,
      ...defined({ school, units: system, rule, earthMethod, copperBonds, coldest, timeZone, country }),
    })
    setUnits(
      next.units.map(({ id, label, sheetId }) => ({
        id,
        key: id,
        sheetId,
        label,
        count: 1,
        serial: '',
        // Where it stands was seen at the earlier job: until somebody says it of this one, all that could apply is asked for.
        placed: '',
      })),
    )
  }
  const next = () => (step < STEPS.length - 1 ? setStep(step + 1) : void open())
  return (
    <Frame title="A new job">
      <Box
        maxW="860px"
        mx="auto"
        px={{ base: '16px', md: '24px' }}
        py="26px"
        as="form"
        onSubmit={(event: React.FormEvent) => (event.preventDefault(), next())}
      >
        <HStack as="ol" gap="0" listStyleType="none" mb="24px" aria-label="Steps">
          {STEPS.map((name, i) => (
            <chakra.li key={name} flex="1">
              <chakra.button
                type="button"
                w="100%"
                minH="44px"
                textAlign="left"
                borderBottom="4px solid"
                borderColor={i <= step ? 'accent' : 'hair'}
                color={i === step ? 'text' : 'faint'}
                fontWeight={i === step ? 600 : 400}
                cursor="pointer"
                disabled={i > 0 && !complete[0]}
                aria-current={i === step ? 'step' : undefined}
                onClick={() => setStep(i)}
              >
                {i + 1}. {name}
              </chakra.button>
            </chakra.li>
          ))}
        </HStack>
        {step === 0 && (
          <Grid templateColumns={{ base: '1fr', md: '200px 1fr' }} gap="14px">
            <TextField
              label="Number"
              required
              autoFocus
              value={site.number}
              placeholder="PM-2701"
              problem={taken}
              onChange={(text) => (setTaken(''), setSite({ ...site, number: text }))}
            />
            <TextField
              label="Title"
              required
              value={site.title}
              placeholder="Whose house, which room"
              onChange={(text) => setSite({ ...site, title: text })}
            />
            <TextField
              label="Customer"
              required
              value={site.customer}
              onChange={(text) => setSite({ ...site, customer: text })}
            />
            <TextField
              label="Site"
              required
              value={site.site}
              placeholder="Where it is, as one finds it"
              onChange={(text) => setSite({ ...site, site: text })}
            />
            <Box gridColumn="1 / -1">
              <LikeJob library={library} like={like} onChoose={takeOver} />
            </Box>
          </Grid>
        )}
        {step === 1 && (
          <RulesForm
            rules={rules}
            onChange={(part) =>
              setRules({
                ...rules,
                ...part,
                ...(part.school && { units: part.school === 'nec' ? 'us' : 'metric' }),
              })
            }
          />
        )}
        {step === 2 && <UnitRows rows={units} library={library} onChange={setUnits} />}
        <Problem mt="14px">{problem}</Problem>
        <Flex gap="10px" mt="24px">
          {step > 0 && (
            <Button variant="outline" onClick={() => setStep(step - 1)}>
              Back
            </Button>
          )}
          <Button
            type="submit"
            disabled={!complete[step] || (step === STEPS.length - 1 && !(complete[0] && complete[1]))}
            loading={opening}
          >
            {step < STEPS.length - 1 ? 'Next' : 'Open the job'}
          </Button>
        </Flex>
      </Box>
    </Frame>
  )
}

function UnitRows({
  rows,
  library,
  onChange,
}: {
  rows: UnitRow[]
  library: readonly SheetSummary[]
  onChange: (rows: UnitRow[]) => void
}) {
  const set = (key: string, part: Partial<UnitRow>) =>
    onChange(rows.map((row) => (row.key === key ? { ...row, ...part } : row)))
  const add = () =>
    onChange([...rows, { key: uuid(), sheetId: '', label: '', count: 1, serial: '', placed: '' }])
  const choose = (row: UnitRow, sheetId: string) => {
    const sheet = library.find(({ id }) => id === sheetId)
    const named = row.label === '' && sheet ? capital(UNIT_KIND_WORDS[sheet.kind]) : row.label
    set(row.key, { sheetId, label: named })
  }
  return (
    <Box>
      <Text mb="12px">
        The checks, the kit and the time follow from the units and their sheets. More can be added at any
        time.
      </Text>
      {rows.map((row) => (
        <Grid
          key={row.key}
          templateColumns={{ base: '1fr 1fr', md: '1.7fr 1.2fr 80px 1fr 1fr auto' }}
          gap="10px"
          alignItems="end"
          mb="12px"
        >
          <ChoiceField
            label="Sheet"
            value={row.sheetId}
            options={[['', 'choose'], ...library.map((sheet): Option => [sheet.id, sheetName(sheet)])]}
            onChange={(sheetId) => choose(row, sheetId)}
          />
          <TextField
            label="Name on site"
            value={row.label}
            onChange={(text) => set(row.key, { label: text })}
          />
          <CountField
            label="How many"
            most={20}
            value={row.count}
            onChange={(count) => set(row.key, { count: count })}
          />
          <TextField
            label="Serial"
            value={row.serial}
            disabled={row.count > 1}
            onChange={(text) => set(row.key, { serial: text })}
          />
          <ChoiceField
            label="Where"
            value={row.placed}
            options={[
              ['', 'not known'],
              ['indoors', 'indoors'],
              ['outdoors', 'outdoors'],
            ]}
            onChange={(placed) => set(row.key, { placed })}
          />
          <IconButton
            onClick={() => onChange(rows.filter(({ key }) => key !== row.key))}
            aria-label={`Take ${row.label || 'this unit'} out`}
          >
            <X size={18} />
          </IconButton>
        </Grid>
      ))}
      <Button variant="outline" onClick={add}>
        <Plus size={17} /> Unit
      </Button>
    </Box>
  )
}

/** Settings that are said, without those that are not. */
const defined = <T extends object>(some: T): T =>
  Object.fromEntries(Object.entries(some).filter(([, value]) => value !== undefined)) as T

function entriesOf(
  site: { number: string; title: string; site: string; customer: string },
  rules: Rules,
  rows: readonly UnitRow[],
  library: readonly SheetSummary[],
  like: Like | undefined,
): NewEntry[] {
  const at = new Date().toISOString()
  const header = { ...site, ...rules, ...(like?.again && { again: like.job }) }
  const units = rows.map(({ placed, ...row }) => ({ ...row, placed: placed || undefined }))
  const opening = newJob({ header, units }, library, uuid)
  const fitted = new Set(
    opening.flatMap(({ kind, body }) => (kind === 'unit-fitted' ? [body.id as string] : [])),
  )
  return [...opening, ...changesOf(like, fitted)].map((change) => ({ id: uuid(), at, ...change }) as NewEntry)
}
