import { Box, Button, Flex, HStack, Text, chakra } from '@chakra-ui/react'
import { Printer } from 'lucide-react'
import { useMemo, useState } from 'react'
import { useSearchParams } from 'react-router'
import { BeginTour } from '../layout/begin-tour.js'
import { Page } from '../layout/page.js'
import { TextField } from '../ui/text-field.js'
import { Note, SectionTitle } from '../ui/theme/text.js'
import { DemandDrawing } from '../ui/drawings/demands.js'
import { VerdictShape } from '../ui/verdict-mark.js'
import { helpFor, searched, type HelpText } from './texts.js'
import { Summary } from '../ui/buttons.js'

/** All of the help on one page, on the device: what the screen that one came from is for stands first. */
export function HelpView() {
  const [params] = useSearchParams()
  const here = helpFor(params.get('at') ?? '')
  const [search, setSearch] = useState('')
  const chapters = useMemo(() => searched(search), [search])
  return (
    <Page
      title="Help"
      width="820px"
      actions={
        <>
          <BeginTour />
          <Button variant="outline" onClick={() => window.print()}>
            <Printer size={18} /> Print
          </Button>
        </>
      }
    >
      <Box mt="12px" css={{ '@media print': { display: 'none' } }}>
        <TextField label="Search in the help" type="search" value={search} onChange={setSearch} autoFocus />
      </Box>
      {here && search === '' && (
        <Box mt="18px" p="16px" bg="panel" borderLeft="4px solid" borderColor="accent">
          <Note>Where you came from</Note>
          <One text={here} />
        </Box>
      )}
      {chapters.length === 0 && (
        <Text mt="18px">Nothing here speaks of that. Try one word, as it stands on the screen.</Text>
      )}
      {chapters.map(({ title, texts }) => (
        <Box key={title} as="section" mt="26px">
          <SectionTitle>{title}</SectionTitle>
          {texts.map((text) => (
            <One key={text.title} text={text} />
          ))}
        </Box>
      ))}
      <Note mt="26px">
        Only qualified people open, measure or change live equipment; follow the local code and the authority.
        The program compares and computes, it does not replace a licensed judgement.
      </Note>
    </Page>
  )
}

function One({ text: { title, text, questions = [], drawing, verdict } }: { text: HelpText }) {
  return (
    <Box mt="10px">
      <Flex gap="18px" align="center" justify="space-between">
        <Box>
          <HStack as="h3" fontSize="18px" fontWeight={600}>
            {verdict && <VerdictShape verdict={verdict} size={20} />}
            {title}
          </HStack>
          <Text maxW="68ch">{text}</Text>
        </Box>
        {drawing && <DemandDrawing name={drawing} maxWidth="96px" />}
      </Flex>
      {questions.map(([question, answer]) => (
        <chakra.details
          key={question}
          css={{ '@media print': { '&::details-content': { display: 'block' } } }}
        >
          <Summary>{question}</Summary>
          <Flex pl="18px" pb="6px">
            <Text maxW="66ch">{answer}</Text>
          </Flex>
        </chakra.details>
      ))}
    </Box>
  )
}
