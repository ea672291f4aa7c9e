import { Box, Button, Grid } from '@chakra-ui/react'
import { useState } from 'react'
import type { SheetInLibrary, SheetSummary } from '@plumb-mark/contract'
import { UNIT_KINDS, UNIT_KIND_WORDS, sheetName } from '@plumb-mark/core'
import type { SheetNames } from '@plumb-mark/manual'
import { useResource } from '../../data/resource.js'
import { Frame } from '../../layout/frame.js'
import { ChoiceField, optionsOf } from '../../ui/choice-field.js'
import { TextField } from '../../ui/text-field.js'
import { Note, ViewTitle } from '../../ui/theme/text.js'
import { Questions } from './guided-questions.js'

/** A sheet without a manual: asked for by stages, from the kind of unit or from another sheet. */
export function GuidedView() {
  const [names, setNames] = useState<SheetNames>({ maker: '', model: '', kind: 'hybrid-inverter' })
  const [fromId, setFromId] = useState('')
  const [begun, setBegun] = useState(false)
  const { value: library = [] } = useResource<SheetSummary[]>('/api/sheets')
  const { value: from } = useResource<SheetInLibrary>(fromId ? `/api/sheets/${fromId}` : undefined)
  const alike = library.filter(({ kind, problem }) => kind === names.kind && problem === undefined)
  if (begun && (from || fromId === '')) return <Questions names={names} from={from} />
  return (
    <Frame title="New sheet without a manual">
      <Box layerStyle="page" maxW="760px">
        <ViewTitle>New sheet without a manual</ViewTitle>
        <Note mt="8px" fontSize="16px">
          You are asked stage by stage what the maker demands. What another sheet brings is a proposal until
          you accept it.
        </Note>
        <Grid mt="18px" gap="12px" templateColumns={{ base: '1fr', md: '1fr 1fr' }}>
          <TextField label="Maker" value={names.maker} onChange={(maker) => setNames({ ...names, maker })} />
          <TextField label="Model" value={names.model} onChange={(model) => setNames({ ...names, model })} />
          <ChoiceField
            label="Kind of unit"
            value={names.kind}
            options={optionsOf(UNIT_KINDS, UNIT_KIND_WORDS)}
            onChange={(kind) => (setNames({ ...names, kind }), setFromId(''))}
          />
          <ChoiceField
            label="Begin from"
            value={fromId}
            options={[
              ['', 'an empty sheet'],
              ...alike.map((sheet): [string, string] => [sheet.id, sheetName(sheet)]),
            ]}
            onChange={setFromId}
          />
        </Grid>
        <Button
          mt="18px"
          disabled={names.maker.trim() === '' || names.model.trim() === ''}
          onClick={() => setBegun(true)}
        >
          Go on
        </Button>
      </Box>
    </Frame>
  )
}
