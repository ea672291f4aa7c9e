import { Box, Button, Flex, Grid } from '@chakra-ui/react'
import { Plus, Undo2 } from 'lucide-react'
import { useMemo, useState } from 'react'
import { useNavigate } from 'react-router'
import { parse } from 'yaml'
import type { SheetInLibrary } from '@plumb-mark/contract'
import { STAGE_TITLES, UNIT_KIND_WORDS } from '@plumb-mark/core'
import {
  ASKED_KINDS,
  KIND_GROUPS,
  acceptedFacts,
  askedInOrder,
  notAcceptedIn,
  proposalsOf,
  sheetOf,
  sheetSource,
  startingFrom,
  usualKinds,
  type Fact,
  type FactKind,
  type SheetNames,
} from '@plumb-mark/manual'
import { Frame } from '../../layout/frame.js'
import { ChoiceField, optionsOf } from '../../ui/choice-field.js'
import { Note, SubTitle } from '../../ui/theme/text.js'
import { keepDraft } from '../editor/draft.js'
import { useLibrarySheets } from '../library.js'
import { AddFact } from './add-fact.js'
import { FactRow } from './fact-row.js'
import { GroupHead } from './group-head.js'
import { KindPicture } from './kind-picture.js'
import { useBench } from './use-bench.js'
import { useKeys } from './use-keys.js'
import { Cluster } from '../../ui/cluster.js'

/** Kind after kind, in the order of the walk: what is proposed is decided, what is known is added. */
export function Questions({ names, from }: { names: SheetNames; from: SheetInLibrary | undefined }) {
  const go = useNavigate()
  const proposed = useMemo(() => (from ? proposalsOf(from.sheet) : []), [from])
  const edition = useMemo(
    () => from && startingFrom(from.sheet, parse(from.source) as Record<string, unknown>),
    [from],
  )
  const open = useBench(proposed, { edition })
  const { bench, chosen, choose, change, back } = open
  const library = useLibrarySheets(names.kind)
  const [adding, setAdding] = useState<FactKind>()
  const shownKind = adding ?? (chosen === undefined ? undefined : bench.facts[chosen]?.kind) ?? 'clearance'
  const usual = usualKinds(library)
  const asked = askedInOrder([
    ...new Set([
      ...ASKED_KINDS.filter((kind) => usual.includes(kind)),
      ...bench.facts.map(({ kind }) => kind),
    ]),
  ])
  const others = ASKED_KINDS.filter((kind) => !asked.includes(kind))
  const left = bench.facts.length - bench.decisions.size
  const accepted = acceptedFacts(bench).length
  useKeys({
    a: () => chosen !== undefined && change(chosen, { kind: 'accepted' }),
    r: () => chosen !== undefined && change(chosen, { kind: 'rejected' }),
    u: back,
  })
  const make = async () => {
    const at = new Date().toISOString()
    const head = {
      ...names,
      title: `${UNIT_KIND_WORDS[names.kind]} ${names.model}`,
      date: '',
      source: '',
      revision: 'A',
    }
    const data = sheetOf(
      bench,
      'other',
      head,
      edition && { ...edition, removed: notAcceptedIn(bench, edition) },
    )
    keepDraft(undefined, { text: sheetSource(data), at, fingerprint: undefined })
    await go('/sheets/new')
  }
  return (
    <Frame title={`${names.maker} ${names.model}`}>
      <Grid
        templateColumns={{ base: '1fr', lg: 'minmax(0, 1fr) minmax(460px, 54%)' }}
        h={{ lg: 'calc(100dvh - 53px)' }}
        templateRows={{ lg: 'minmax(0, 1fr)' }}
      >
        <Box bg="sunk" overflowY="auto" maxH={{ base: '34dvh', lg: 'none' }}>
          <KindPicture kind={shownKind} />
        </Box>
        <Flex direction="column" minH={0} borderLeft={{ lg: '1px solid' }} borderColor={{ lg: 'hair' }}>
          <Cluster layerStyle="ruleBelow" px="14px" py="10px" bg="panel">
            <SubTitle as="p" flex="1 1 200px" role="status">
              {left > 0 && `${left} to look at, `}
              {accepted} accepted
            </SubTitle>
            <Button variant="outline" aria-label="Undo" disabled={bench.past.length === 0} onClick={back}>
              <Undo2 size={17} /> Undo
            </Button>
            <Button onClick={() => void make()} disabled={accepted === 0 || left > 0}>
              Make the sheet
            </Button>
          </Cluster>
          <Box overflowY="auto" minH={0} flex="1" role="region" aria-label="What the maker demands">
            {asked.map((kind) => {
              const own = bench.facts.flatMap((fact, i) => (fact.kind === kind ? [i] : []))
              const undecided = own.filter((i) => !bench.decisions.has(i))
              return (
                <Box key={kind}>
                  <GroupHead title={KIND_GROUPS[kind].title} note={STAGE_TITLES[KIND_GROUPS[kind].stage]}>
                    {undecided.length > 1 && (
                      <Button variant="plain" onClick={() => open.all(undecided, { kind: 'accepted' })}>
                        Accept all {undecided.length}
                      </Button>
                    )}
                    {ASKED_KINDS.includes(kind) && (
                      <Button
                        variant="plain"
                        aria-label={`Add: ${KIND_GROUPS[kind].title}`}
                        onClick={() => setAdding(kind)}
                      >
                        <Plus size={16} /> Add
                      </Button>
                    )}
                  </GroupHead>
                  {adding === kind && (
                    <Adding kind={kind} onAdd={open.add} onDone={() => setAdding(undefined)} />
                  )}
                  {own.map((i) => (
                    <FactRow
                      key={i}
                      fact={bench.facts[i]!}
                      others={[]}
                      before={undefined}
                      decision={bench.decisions.get(i)}
                      chosen={i === chosen}
                      onChoose={() => choose(i)}
                      onDecide={(decision) => change(i, decision)}
                    />
                  ))}
                </Box>
              )
            })}
            <Box px="16px" py="14px">
              {others.length > 0 && (
                <ChoiceField
                  label="Something else that the maker demands"
                  value=""
                  options={[['', 'choose'], ...optionsOf(others, (kind) => KIND_GROUPS[kind].title)]}
                  onChange={(kind) => setAdding(kind === '' ? undefined : kind)}
                />
              )}
              {adding && others.includes(adding) && (
                <Adding kind={adding} onAdd={open.add} onDone={() => setAdding(undefined)} />
              )}
              <Note mt="8px">Lamps, codes, steps and settings come as tables, in the next screen.</Note>
            </Box>
          </Box>
        </Flex>
      </Grid>
    </Frame>
  )
}

function Adding({
  kind,
  onAdd,
  onDone,
}: {
  kind: FactKind
  onAdd: (fact: Fact) => void
  onDone: () => void
}) {
  return <AddFact kind={kind} clause="" onCancel={onDone} onAdd={(fact) => (onAdd(fact), onDone())} />
}
