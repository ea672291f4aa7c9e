import { Box, Flex, Stack, chakra } from '@chakra-ui/react'
import { Check } from 'lucide-react'
import { useState, type ComponentType } from 'react'
import { Navigate } from 'react-router'
import { useSession } from '../data/session.js'
import { BeginTour } from '../layout/begin-tour.js'
import { Page } from '../layout/page.js'
import { Note, SectionTitle } from '../ui/theme/text.js'
import { FirstInstruments } from './first-instruments.js'
import { FirstJob } from './first-job.js'
import { FirstPeople } from './first-people.js'
import { FirstRules } from './first-rules.js'
import { FirstSheets } from './first-sheets.js'
import { useStarted, type StartPart } from './use-started.js'
import { LinkButton } from '../ui/buttons.js'

const PARTS: Record<StartPart, { title: string; about: string; View: ComponentType }> = {
  rules: {
    title: 'Firm and rules',
    about: 'The name on your reports, and what a new job begins with.',
    View: FirstRules,
  },
  people: { title: 'People', about: 'Who inspects, who reworks, who signs.', View: FirstPeople },
  instruments: {
    title: 'Instruments',
    about: 'What you measure with. A reading proves nothing without it.',
    View: FirstInstruments,
  },
  sheets: {
    title: 'A first sheet',
    about: 'What a maker demands of a unit: the checks follow from it.',
    View: FirstSheets,
  },
  job: { title: 'A first job', about: 'Where, by which rules, which units.', View: FirstJob },
}

const Marker = chakra('span', {
  base: {
    w: '32px',
    h: '32px',
    flexShrink: 0,
    display: 'inline-flex',
    alignItems: 'center',
    justifyContent: 'center',
    borderRadius: '50%',
    border: '2px solid',
    borderColor: 'faint',
    fontWeight: 600,
    '&[data-done]': { bg: 'accent', borderColor: 'accent', color: 'paper' },
  },
})

/** Five things before the first inspection, in any order, each to be skipped; what is there already is ticked. */
export function StartView() {
  const office = useSession(({ person }) => person?.role === 'office')
  const done = useStarted()
  const parts = Object.keys(PARTS) as StartPart[]
  const [chosen, setChosen] = useState<StartPart>()
  const open = chosen ?? parts.find((part) => !done[part]) ?? 'job'
  if (!office) return <Navigate to="/jobs" replace />
  const after = (part: StartPart) => parts[parts.indexOf(part) + 1]
  return (
    <Page title="Getting started" width="860px" actions={<BeginTour />}>
      <Note mt="4px">
        Five things, in any order. Each can be skipped, and found again later. Whoever wants to see first what
        it is all for takes ten minutes: from the tape to the signature, on this device only.
      </Note>
      <Stack as="ol" gap="0" mt="14px">
        {parts.map((part, i) => {
          const { title, about, View } = PARTS[part]
          return (
            <chakra.li layerStyle="ruleAbove" key={part} py="14px">
              <Flex asChild gap="14px" align="center" w="100%" minH="48px" textAlign="left" cursor="pointer">
                <button type="button" aria-expanded={open === part} onClick={() => setChosen(part)}>
                  <Marker
                    data-done={done[part] ? '' : undefined}
                    aria-label={done[part] ? 'done' : undefined}
                  >
                    {done[part] ? <Check size={18} /> : i + 1}
                  </Marker>
                  <Box flex="1">
                    <SectionTitle>{title}</SectionTitle>
                    <Note>{about}</Note>
                  </Box>
                </button>
              </Flex>
              {open === part && (
                <Box pl={{ md: '46px' }} pt="12px">
                  <View />
                  {after(part) && (
                    <LinkButton mt="12px" onClick={() => setChosen(after(part))}>
                      {done[part] ? 'Next' : 'Skip this for now'}
                    </LinkButton>
                  )}
                </Box>
              )}
            </chakra.li>
          )
        })}
      </Stack>
    </Page>
  )
}
