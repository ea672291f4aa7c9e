import { Box, Button, Flex, Grid } from '@chakra-ui/react'
import { Undo2 } from 'lucide-react'
import { useState } from 'react'
import type { SheetInLibrary } from '@plumb-mark/contract'
import { UNIT_KINDS, UNIT_KIND_WORDS } from '@plumb-mark/core'
import {
  acceptedFacts,
  clauseAt,
  namesOf,
  openChanges,
  type FactKind,
  type ReadFile,
  type SheetNames,
} from '@plumb-mark/manual'
import { Frame } from '../../layout/frame.js'
import { ChoiceField, optionsOf } from '../../ui/choice-field.js'
import { Problem } from '../../ui/problem.js'
import { TextField } from '../../ui/text-field.js'
import { Note, SubTitle } from '../../ui/theme/text.js'
import { useLibrarySheets } from '../library.js'
import { AddFact, type Place } from './add-fact.js'
import { FactList } from './fact-list.js'
import { ManualPages } from './manual-pages.js'
import { useReadManual, type OpenBench } from './use-bench.js'
import { useKeys } from './use-keys.js'
import { useMaking, type Making } from './use-making.js'
import { Cluster } from '../../ui/cluster.js'

interface Props {
  file: File
  read: ReadFile
  /** The sheet of the edition of before. */
  before: SheetInLibrary | undefined
  model: string
  password: string | undefined
  onModel: (model: string) => void
  onLeave: () => void
}

/** The pages on one side, what they demand on the other. */
export function Bench({ file, read, before, model, password, onModel, onLeave }: Props) {
  const open = useReadManual(read, before)
  const { bench, chosen, choose, change, back } = open
  const [adding, setAdding] = useState<Place>()
  const [notDemanded, setNotDemanded] = useState<FactKind[]>([])
  const [names, setNames] = useState<SheetNames>(() => (before ? namesOfSheet(before) : namesOf(read, model)))
  const library = useLibrarySheets(names.kind)
  const making = useMaking({ file, password, read, names, open, before, notDemanded })
  const decideChosen = (kind: 'accepted' | 'rejected' | 'other-model') => () => {
    if (chosen !== undefined) change(chosen, { kind })
  }
  useKeys({
    a: decideChosen('accepted'),
    r: decideChosen('rejected'),
    m: decideChosen('other-model'),
    u: back,
    ArrowDown: () => choose(Math.min(bench.facts.length - 1, (chosen ?? -1) + 1)),
    ArrowUp: () => choose(Math.max(0, (chosen ?? 0) - 1)),
  })
  return (
    <Frame title={file.name}>
      <Grid
        templateColumns={{ base: '1fr', lg: 'minmax(0, 1fr) minmax(420px, 46%)' }}
        h={{ lg: 'calc(100dvh - 53px)' }}
        templateRows={{ lg: 'minmax(0, 1fr)' }}
      >
        <ManualPages
          file={file}
          password={password}
          pages={read.pages}
          facts={bench.facts}
          chosen={chosen}
          onChoose={choose}
          onMark={(page, box) => setAdding({ page, box })}
        />
        <Flex direction="column" minH={0} borderLeft={{ lg: '1px solid' }} borderColor={{ lg: 'hair' }}>
          <BenchHead
            open={open}
            making={making}
            names={names}
            models={read.models}
            model={model}
            onNames={setNames}
            onModel={onModel}
          />
          {adding && (
            <AddFact
              place={adding}
              clause={clauseAt(bench, adding.page, adding.box)}
              onCancel={() => setAdding(undefined)}
              onAdd={(fact) => {
                open.add(fact)
                setAdding(undefined)
              }}
            />
          )}
          <FactList
            open={open}
            library={library}
            notDemanded={notDemanded}
            onNotDemanded={(kind) =>
              setNotDemanded((all) =>
                all.includes(kind) ? all.filter((other) => other !== kind) : [...all, kind],
              )
            }
            ofOthers={read.ofOthers.length}
            onLeave={onLeave}
          />
        </Flex>
      </Grid>
    </Frame>
  )
}

const namesOfSheet = ({ sheet: { maker, model, kind } }: SheetInLibrary): SheetNames => ({
  maker,
  model,
  kind,
})

/** How far one is, the way back, the sheet, and what it will be called by. */
function BenchHead({
  open: { bench, back, edition },
  making: { part, problem, make },
  names,
  models,
  model,
  onNames,
  onModel,
}: {
  open: OpenBench
  making: Making
  names: SheetNames
  models: readonly string[]
  model: string
  onNames: (names: SheetNames) => void
  onModel: (model: string) => void
}) {
  const left = bench.facts.length - bench.decisions.size
  const accepted = acceptedFacts(bench).length
  const waiting = edition ? openChanges(bench, edition) : 0
  return (
    <Box layerStyle="ruleBelow" px="14px" py="10px" bg="panel">
      <Cluster>
        <SubTitle as="p" flex="1 1 200px" role="status">
          {left === 0 ? 'All looked at' : `${left} to look at`}, {accepted} accepted
        </SubTitle>
        <Button variant="outline" aria-label="Undo" disabled={bench.past.length === 0} onClick={back}>
          <Undo2 size={17} /> Undo
        </Button>
        <Button
          onClick={() => void make()}
          disabled={accepted === 0 || waiting > 0}
          loading={part !== undefined}
        >
          {edition ? 'Make the revision' : 'Make the sheet'}
        </Button>
      </Cluster>
      {waiting > 0 && (
        <Note mt="4px">
          {waiting === 1 ? 'One demand differs and waits' : `${waiting} demands differ and wait`} for your
          decision.
        </Note>
      )}
      <Problem mt="6px">{problem}</Problem>
      <Grid mt="8px" gap="8px" templateColumns={{ base: '1fr 1fr', md: '1fr 1fr 1fr' }}>
        <TextField
          label="Maker"
          value={names.maker}
          onChange={(maker) => onNames({ ...names, maker })}
          readOnly={edition !== undefined}
        />
        {models.length > 1 ? (
          <ChoiceField
            label="Model on the wall"
            value={model}
            options={[['', 'all models'], ...optionsOf(models, String)]}
            onChange={onModel}
          />
        ) : (
          <TextField
            label="Model"
            value={names.model}
            onChange={(name) => onNames({ ...names, model: name })}
            readOnly={edition !== undefined}
          />
        )}
        <ChoiceField
          label="Kind of unit"
          value={names.kind}
          options={optionsOf(UNIT_KINDS, UNIT_KIND_WORDS)}
          onChange={(kind) => onNames({ ...names, kind })}
        />
      </Grid>
    </Box>
  )
}
