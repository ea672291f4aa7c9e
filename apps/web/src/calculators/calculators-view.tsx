import { Box, Flex, Grid, chakra } from '@chakra-ui/react'
import { useEffect, useMemo, useState } from 'react'
import { NavLink, Navigate, useParams, useSearchParams } from 'react-router'
import { CALCULATORS, leverMoved, readDraft, type CalculatorName, type System } from '@plumb-mark/core'
import { Frame } from '../layout/frame.js'
import { Select } from '../ui/select.js'
import { prefer, useDecimal, usePreferences } from '../data/preferences.js'
import { BackToCheck } from './back-to-check.js'
import { CATALOGUE, GROUPS } from '../data/calculators/catalogue.js'
import { fromLink, toLink } from '../data/calculators/link.js'
import { KeptDrafts } from './kept-drafts.js'
import { OffPhoto } from './off-photo.js'
import { useRecent } from './recent.js'
import { Result } from './result.js'
import { SchemaForm } from './schema-form.js'
import { Share } from './share.js'
import { UseInJob } from './use-in-job.js'
import { useResult } from './use-result.js'
import { WhatIf } from './what-if-panel.js'
import { FormWordsContext, wordsOfCalculator } from './words/context.js'
import { Faint, PartTitle, SmallPrint } from '../ui/theme/text.js'

/** Each calculator of the core on its own, for a quick answer on site. */
export function CalculatorsView() {
  const { name } = useParams()
  if (!name || !(name in CALCULATORS)) return <Navigate to="/calculators/string-voltage" replace />
  return (
    <Frame subject={CATALOGUE[name as CalculatorName].title}>
      <Grid
        templateColumns={{ base: '1fr', lg: '190px minmax(360px, 1fr) minmax(360px, 1.15fr)' }}
        minH={{ lg: 'calc(100dvh - 53px)' }}
      >
        <List />
        <Bench key={name} name={name as CalculatorName} />
      </Grid>
    </Frame>
  )
}

const Entry = chakra(NavLink, {
  base: {
    display: 'flex',
    alignItems: 'center',
    minH: '36px',
    px: '14px',
    fontSize: '14px',
    lineHeight: 1.15,
    color: 'faint',
    whiteSpace: { base: 'nowrap', lg: 'normal' },
    '&.active': { color: 'text', fontWeight: 600, bg: 'accentWash' },
    _hover: { color: 'text' },
  },
})

function List() {
  return (
    <chakra.nav
      aria-label="Calculators"
      bg="panel"
      borderRight={{ lg: '1px solid' }}
      borderColor={{ lg: 'hair' }}
      py="10px"
      display={{ base: 'flex', lg: 'block' }}
      overflowX="auto"
    >
      {GROUPS.map(({ title, names }) => (
        <Box key={title} flexShrink={0} mb={{ lg: '8px' }}>
          <SmallPrint px="14px">{title}</SmallPrint>
          <Flex direction={{ base: 'row', lg: 'column' }}>
            {names.map((name) => (
              <Entry key={name} to={`/calculators/${name}`}>
                {CATALOGUE[name].title}
              </Entry>
            ))}
          </Flex>
        </Box>
      ))}
    </chakra.nav>
  )
}

function Bench({ name }: { name: CalculatorName }) {
  const [search, setSearch] = useSearchParams()
  const [draft, setDraft] = useState<Record<string, unknown>>(
    () => fromLink(search.get('in')) ?? CATALOGUE[name].example,
  )
  const decimal = useDecimal()
  const system = usePreferences((chosen) => chosen.system)
  const { input, problems } = readDraft(CALCULATORS[name].input, draft, { decimal })
  const { answer, cancel } = useResult(name, input)
  const refused =
    answer.state === 'refused' && answer.error.path ? { [answer.error.path]: answer.error.message } : {}
  const words = useMemo(() => wordsOfCalculator(name), [name])
  const change = (next: unknown) => {
    setDraft(next as Record<string, unknown>)
    setSearch({ ...Object.fromEntries(search), in: toLink(next) }, { replace: true })
  }
  useRemembered(name, draft, answer.state === 'done')
  return (
    <>
      <Box px={{ base: '14px', lg: '22px' }} py="18px" order={{ base: 3, lg: 2 }} minW={0}>
        <PartTitle as="h1">{CATALOGUE[name].title}</PartTitle>
        <Faint mb="12px">{CALCULATORS[name].answers}</Faint>
        {name === 'photo-measure' && <OffPhoto onTake={change} />}
        <FormWordsContext value={words}>
          <SchemaForm
            schema={CALCULATORS[name].input}
            value={draft}
            path=""
            label=""
            problems={{ ...refused, ...problems }}
            onChange={change}
          />
        </FormWordsContext>
        <KeptDrafts name={name} draft={draft} onTake={change} />
        <Share draft={draft} />
      </Box>
      <Box bg="sunk" px={{ base: '14px', lg: '22px' }} py="18px" order={{ base: 2, lg: 3 }} minW={0}>
        <BackToCheck name={name} input={input} />
        <Flex justify="flex-end" mb="-30px">
          <Select
            aria-label="Units shown"
            w="auto"
            value={system}
            onChange={({ target }) => prefer({ system: target.value as System })}
          >
            <option value="metric">metric</option>
            <option value="us">US customary</option>
          </Select>
        </Flex>
        <Result name={name} input={input} answer={answer} system={system} onCancel={cancel}>
          <WhatIf
            name={name}
            input={input}
            onMove={(path, typed) => change(leverMoved(draft, path, typed))}
          />
        </Result>
        {answer.state === 'done' && <UseInJob name={name} input={input} />}
      </Box>
    </>
  )
}

/** Figures that somebody stayed at are worth having again. */
const STAYED_MS = 3000

function useRemembered(name: CalculatorName, draft: Record<string, unknown>, done: boolean): void {
  const remember = useRecent((recent) => recent.remember)
  useEffect(() => {
    if (!done || draft === CATALOGUE[name].example) return
    const later = setTimeout(() => remember(name, draft), STAYED_MS)
    return () => clearTimeout(later)
  }, [name, draft, done, remember])
}
