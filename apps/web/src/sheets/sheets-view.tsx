import { Box, Button, Grid, Text, chakra } from '@chakra-ui/react'
import { FilePlus2, FileText, Upload } from 'lucide-react'
import { useState } from 'react'
import { Link, useNavigate } from 'react-router'
import type { SampleSheet, SheetSummary } from '@plumb-mark/contract'
import {
  UNIT_KINDS,
  UNIT_KIND_WORDS,
  normaliseLabel,
  type PinnedSheet,
  type UnitKind,
} from '@plumb-mark/core'
import { Note, Small, SmallMono } from '../ui/theme/text.js'
import { useSession } from '../data/session.js'
import { Page } from '../layout/page.js'
import { post, sendFile } from '../data/api.js'
import { RowsComing } from '../ui/rows-coming.js'
import { useResource } from '../data/resource.js'
import { ChoiceField, optionsOf } from '../ui/choice-field.js'
import { TextField } from '../ui/text-field.js'
import { FileButton } from '../ui/file-button.js'

const Row = chakra(Link, {
  base: {
    display: 'grid',
    gridTemplateColumns: { base: '1fr auto', md: '1fr 220px 120px 150px' },
    columnGap: '16px',
    alignItems: 'baseline',
    py: '13px',
    px: { base: '4px', md: '12px' },
    borderBottom: '1px solid',
    borderColor: 'hair',
    _hover: { bg: 'panel' },
  },
})

/** The library: every revision of every sheet, found by maker, model, kind or word. */
export function SheetsView() {
  const role = useSession(({ person }) => person?.role)
  const { value: sheets, problem: missing, reload } = useResource<SheetSummary[]>('/api/sheets')
  const { value: samples = [] } = useResource<SampleSheet[]>('/api/samples/sheets')
  const isSample = (id: string) => samples.some((one) => one.id === id && one.here)
  const [refused, setRefused] = useState<string>()
  const [search, setSearch] = useState('')
  const [kind, setKind] = useState<UnitKind | ''>('')
  const [maker, setMaker] = useState('')
  const makers = [...new Set(sheets?.map((sheet) => sheet.maker))]
  const shown = sheets?.filter(
    (sheet) =>
      (kind === '' || sheet.kind === kind) &&
      (maker === '' || sheet.maker === maker) &&
      normaliseLabel(`${sheet.maker} ${sheet.model} ${sheet.revision} ${sheet.title}`).includes(
        normaliseLabel(search),
      ),
  )
  return (
    <Page
      title="Sheets"
      width="1080px"
      problem={refused ?? missing}
      actions={
        (role === 'office' || role === 'inspector') && <NewSheets onKept={reload} onProblem={setRefused} />
      }
    >
      <Grid templateColumns={{ base: '1fr', md: '1fr 220px 200px' }} gap="10px" mt="14px">
        <TextField
          label="Search"
          value={search}
          onChange={setSearch}
          placeholder="model, maker, word"
          autoFocus
        />
        <ChoiceField
          label="Kind"
          value={kind}
          options={[['', 'every kind'], ...optionsOf(UNIT_KINDS, UNIT_KIND_WORDS)]}
          onChange={setKind}
        />
        <ChoiceField
          label="Maker"
          value={maker}
          options={[['', 'every maker'], ...optionsOf(makers, (one) => one)]}
          onChange={setMaker}
        />
      </Grid>
      <Box layerStyle="ruleAbove" mt="14px">
        {shown?.map((sheet) => (
          <Row key={sheet.id} to={`/sheets/${sheet.id}`}>
            <Box>
              <Text fontSize="18px" fontWeight={600} lineHeight={1.25}>
                {sheet.maker} {sheet.model}
                <Text as="span" fontWeight={400} color="faint">
                  {' '}
                  revision {sheet.revision}
                  {isSample(sheet.id) && ', sample'}
                </Text>
              </Text>
              <Note>{sheet.title}</Note>
            </Box>
            <Small hideBelow="md">{UNIT_KIND_WORDS[sheet.kind]}</Small>
            <SmallMono hideBelow="md">{sheet.date}</SmallMono>
            <Note textAlign="right">
              {sheet.problem ? `cannot be read: ${sheet.problem}` : `${sheet.requirements} required`}
              <br />
              {sheet.usedBy === 0
                ? 'not used yet'
                : `used by ${sheet.usedBy} job${sheet.usedBy === 1 ? '' : 's'}`}
              {sheet.notReleased && ' · not released'}
            </Note>
          </Row>
        ))}
      </Box>
      {!sheets && !missing && <RowsComing height="64px" />}
      {shown?.length === 0 && (
        <Text mt="16px">
          {sheets?.length === 0
            ? 'The library is empty: read a maker’s manual, import a sheet file, or write the first by hand.'
            : 'No sheet fits these words.'}
        </Text>
      )}
    </Page>
  )
}

/** Imports sheet files, YAML, JSON, or a ZIP with the manual; a file with a fault is named with its line, and nothing of it is kept. */
function NewSheets({
  onKept,
  onProblem,
}: {
  onKept: () => Promise<void>
  onProblem: (problem: string | undefined) => void
}) {
  const go = useNavigate()
  const take = async (files: readonly File[]) => {
    const faults: string[] = []
    for (const file of files) {
      try {
        await (file.name.endsWith('.zip')
          ? sendFile<PinnedSheet>('POST', '/api/sheets/zip', 'zip', file, () => undefined)
          : post<PinnedSheet>('/api/sheets', { source: await file.text() }))
      } catch (problem) {
        faults.push(`${file.name}: ${(problem as Error).message}`)
      }
    }
    onProblem(faults.length > 0 ? faults.join(' · ') : undefined)
    await onKept()
  }
  return (
    <>
      <FileButton label="Sheet files" accept=".yaml,.yml,.json,.zip" multiple onFiles={take}>
        <Upload size={18} /> Import sheets
      </FileButton>
      <Button variant="outline" onClick={() => void go('/sheets/without-manual')}>
        <FilePlus2 size={18} /> New sheet
      </Button>
      <Button onClick={() => void go('/sheets/from-manual')}>
        <FileText size={18} /> New from a manual
      </Button>
    </>
  )
}
