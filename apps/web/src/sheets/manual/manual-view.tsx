import { Box, Button, Flex, Grid, Progress, Text } from '@chakra-ui/react'
import { FileText, Undo2 } from 'lucide-react'
import { useEffect, useMemo, useState } from 'react'
import { useNavigate } from 'react-router'
import { UNIT_KINDS, UNIT_KIND_WORDS, type UnitKind } from '@plumb-mark/core'
import {
  acceptedFacts,
  clauseAt,
  decide,
  decideAll,
  draftSheet,
  inShownOrder,
  nextOpen,
  sheetSource,
  undo,
  withFact,
  workbenchOf,
  KIND_GROUPS,
  KIND_OF_DEVICE,
  type FactKind,
  type Decision,
  type ReadFile,
  type Workbench,
} from '@plumb-mark/manual'
import { Frame } from '../../layout/frame.js'
import { ChoiceField, optionsOf } from '../../ui/choice-field.js'
import { Problem } from '../../ui/problem.js'
import { TextField } from '../../ui/text-field.js'
import { Note } from '../../ui/theme/text.js'
import { sendFile, type ApiError } from '../../data/api.js'
import { useManual } from '../../data/workers/use-manual.js'
import { keepDraft } from '../editor/draft.js'
import { useSession } from '../../data/session.js'
import { AddFact, type Place } from './add-fact.js'
import { FactList } from './fact-list.js'
import { ManualPages } from './manual-pages.js'
import { digestOf } from '../../manuals/digest.js'

/** From the maker’s manual to a draft of a sheet: the pages on one side, what they demand on the other. */
export function ManualView() {
  const { reading, read, stop } = useManual()
  const [file, setFile] = useState<File>()
  const [model, setModel] = useState('')
  const [password, setPassword] = useState<string>()
  const start = (chosen: File, of = '', secret = password) => {
    setFile(chosen)
    setModel(of)
    read({ file: chosen, model: of || undefined, password: secret })
  }
  if (reading.state === 'read' && file)
    return (
      <Bench
        key={`${file.name} ${model} ${reading.read.facts.length}`}
        file={file}
        read={reading.read}
        model={reading.read.model ?? ''}
        password={password}
        onModel={(of) => start(file, of)}
        onLeave={stop}
      />
    )
  return (
    <Frame title="New sheet from a manual">
      <Box maxW="760px" mx="auto" px={{ base: '16px', md: '24px' }} py="28px">
        <Text as="h1" fontFamily="heading" fontWeight={600} fontSize="38px" lineHeight={1.1}>
          New sheet from a manual
        </Text>
        <Note mt="8px" fontSize="16px">
          Every figure that is found stands beside the place in the manual where it is printed. Nothing of it
          is in force until you accept it. The file is read on this device.
        </Note>
        {reading.state === 'reading' ? (
          <Reading {...reading} name={file?.name ?? ''} onStop={stop} />
        ) : (
          <Drop onFile={(chosen) => start(chosen)} />
        )}
        {reading.state === 'refused' && (
          <>
            <Problem mt="14px">
              {file?.name}: {reading.message}
            </Problem>
            {reading.code === 'locked' && file && (
              <Unlock
                onUnlock={(secret) => {
                  setPassword(secret)
                  start(file, model, secret)
                }}
              />
            )}
          </>
        )}
      </Box>
    </Frame>
  )
}

function Drop({ onFile }: { onFile: (file: File) => void }) {
  const [over, setOver] = useState(false)
  return (
    <Box
      mt="20px"
      p="34px 20px"
      textAlign="center"
      border="2px dashed"
      borderColor={over ? 'accent' : 'faint'}
      bg={over ? 'accentWash' : 'panel'}
      borderRadius="4px"
      onDragOver={(event) => (event.preventDefault(), setOver(true))}
      onDragLeave={() => setOver(false)}
      onDrop={(event) => {
        event.preventDefault()
        setOver(false)
        const dropped = event.dataTransfer.files[0]
        if (dropped) onFile(dropped)
      }}
    >
      <Box display="inline-block" color="faint">
        <FileText size={40} />
      </Box>
      <Text fontSize="20px" mt="8px">
        Drop the maker’s manual here
      </Text>
      <Note mb="14px">PDF, up to 100 MB. Scanned pages are read too, which takes some seconds a page.</Note>
      <Button asChild>
        <label>
          Choose a file
          <input
            type="file"
            accept="application/pdf,.pdf"
            hidden
            aria-label="Manual"
            onChange={(event) => {
              const chosen = event.target.files?.[0]
              if (chosen) onFile(chosen)
            }}
          />
        </label>
      </Button>
      <Button variant="plain" onClick={() => void sample(onFile)}>
        Try it with a sample manual
      </Button>
    </Box>
  )
}

/** The manual of an invented inverter, which comes with the program. */
async function sample(onFile: (file: File) => void): Promise<void> {
  const response = await fetch('/samples/aldervane-ah-8t.pdf')
  if (response.ok)
    onFile(new File([await response.blob()], 'aldervane-ah-8t.pdf', { type: 'application/pdf' }))
}

function Reading({
  name,
  done,
  of,
  seen,
  onStop,
}: {
  name: string
  done: number
  of: number
  seen: boolean
  onStop: () => void
}) {
  return (
    <Box mt="24px" role="status">
      <Text mb="6px">
        Reading {name}
        {of > 0 && `: page ${done} of ${of}`}
        {seen && ', from a picture'}
      </Text>
      <Progress.Root value={of > 0 ? (100 * done) / of : null} aria-label="Pages read">
        <Progress.Track>
          <Progress.Range />
        </Progress.Track>
      </Progress.Root>
      <Button mt="12px" variant="outline" onClick={onStop}>
        Cancel
      </Button>
    </Box>
  )
}

function Unlock({ onUnlock }: { onUnlock: (password: string) => void }) {
  const [password, setPassword] = useState('')
  return (
    <Flex mt="10px" gap="10px" align="flex-end">
      <Box w="260px">
        <TextField label="Password of the file" type="password" value={password} onChange={setPassword} />
      </Box>
      <Button onClick={() => onUnlock(password)} disabled={password === ''}>
        Open
      </Button>
    </Flex>
  )
}

interface Head {
  maker: string
  model: string
  kind: UnitKind
}

function Bench({
  file,
  read,
  model,
  password,
  onModel,
  onLeave,
}: {
  file: File
  read: ReadFile
  model: string
  password: string | undefined
  onModel: (model: string) => void
  onLeave: () => void
}) {
  const go = useNavigate()
  const [bench, setBench] = useState<Workbench>(() =>
    workbenchOf(inShownOrder([...read.facts, ...read.observations])),
  )
  const [adding, setAdding] = useState<Place>()
  const [notDemanded, setNotDemanded] = useState<FactKind[]>([])
  const person = useSession((session) => session.person)
  const [chosen, setChosen] = useState<number | undefined>(read.facts.length > 0 ? 0 : undefined)
  const [making, setMaking] = useState<{ part: number; problem?: string }>()
  const [head, setHead] = useState<Head>(() => headOf(read, model))
  const change = (fact: number, decision: Decision) => {
    const next = decide(bench, fact, decision)
    setBench(next)
    if (next.decisions.has(fact)) setChosen(nextOpen(next, fact) ?? fact)
  }
  useKeys({
    a: () => chosen !== undefined && change(chosen, { kind: 'accepted' }),
    r: () => chosen !== undefined && change(chosen, { kind: 'rejected' }),
    m: () => chosen !== undefined && change(chosen, { kind: 'other-model' }),
    u: () => setBench(undo(bench)),
    ArrowDown: () => setChosen(Math.min(bench.facts.length - 1, (chosen ?? -1) + 1)),
    ArrowUp: () => setChosen(Math.max(0, (chosen ?? 0) - 1)),
  })
  const accepted = useMemo(() => acceptedFacts(bench), [bench])
  const make = async () => {
    setMaking({ part: 0 })
    const today = new Date().toISOString()
    const digest = await digestOf(file)
    try {
      await sendFile('PUT', `/api/manuals/${digest}`, 'manual', file, (part) => setMaking({ part }))
    } catch (fault) {
      // Without the manual the clauses could not be opened: it is told, and nothing that was decided is lost.
      setMaking({ part: 0, problem: `The manual was not sent: ${(fault as ApiError).message}` })
      return
    }
    const data = draftSheet(
      { facts: accepted, device: read.device, title: read.title },
      {
        ...head,
        title: `${UNIT_KIND_WORDS[head.kind]} ${head.model}`.trim(),
        date: today.slice(0, 10),
        source: read.title || file.name,
        manual: {
          digest,
          title: read.title || file.name,
          pages: read.pages.length,
          notDemanded: notDemanded.map((kind) => ({
            what: KIND_GROUPS[kind].title.toLowerCase(),
            by: person?.name ?? '',
            on: today.slice(0, 10),
          })),
        },
      },
    )
    keepDraft(undefined, { text: sheetSource(data), at: today, fingerprint: undefined })
    await go('/sheets/new')
  }
  const open = bench.facts.length - bench.decisions.size
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
          onChoose={setChosen}
          onMark={(page, box) => setAdding({ page, box })}
        />
        <Flex direction="column" minH={0} borderLeft={{ lg: '1px solid' }} borderColor={{ lg: 'hair' }}>
          <Box px="14px" py="10px" borderBottom="1px solid" borderColor="hair" bg="panel">
            <Flex gap="8px" align="center" wrap="wrap">
              <Text flex="1 1 200px" fontSize="20px" fontFamily="heading" fontWeight={600} role="status">
                {open === 0 ? 'All looked at' : `${open} to look at`}, {accepted.length} accepted
              </Text>
              <Button
                variant="outline"
                aria-label="Undo"
                disabled={bench.past.length === 0}
                onClick={() => setBench(undo(bench))}
              >
                <Undo2 size={17} /> Undo
              </Button>
              <Button
                onClick={() => void make()}
                disabled={accepted.length === 0}
                loading={making !== undefined && making.problem === undefined}
              >
                Make the sheet
              </Button>
            </Flex>
            <Problem mt="6px">{making?.problem}</Problem>
            <Grid mt="8px" gap="8px" templateColumns={{ base: '1fr 1fr', md: '1fr 1fr 1fr' }}>
              <TextField label="Maker" value={head.maker} onChange={(maker) => setHead({ ...head, maker })} />
              {read.models.length > 1 ? (
                <ChoiceField
                  label="Model on the wall"
                  value={model}
                  options={[['', 'all models'], ...optionsOf(read.models, String)]}
                  onChange={onModel}
                />
              ) : (
                <TextField
                  label="Model"
                  value={head.model}
                  onChange={(name) => setHead({ ...head, model: name })}
                />
              )}
              <ChoiceField
                label="Kind of unit"
                value={head.kind}
                options={optionsOf(UNIT_KINDS, UNIT_KIND_WORDS)}
                onChange={(kind) => setHead({ ...head, kind })}
              />
            </Grid>
          </Box>
          {adding && (
            <AddFact
              place={adding}
              clause={clauseAt(bench, adding.page, adding.box)}
              onCancel={() => setAdding(undefined)}
              onAdd={(fact) => {
                setBench(withFact(bench, fact))
                setAdding(undefined)
              }}
            />
          )}
          <FactList
            bench={bench}
            notDemanded={notDemanded}
            onNotDemanded={(kind) => setNotDemanded(toggled(notDemanded, kind))}
            ofOthers={read.ofOthers.length}
            chosen={chosen}
            onChoose={setChosen}
            onDecide={change}
            onAll={(facts, decision) => setBench(decideAll(bench, facts, decision))}
            onLeave={onLeave}
          />
        </Flex>
      </Grid>
    </Frame>
  )
}

const toggled = <T,>(all: readonly T[], one: T): T[] =>
  all.includes(one) ? all.filter((other) => other !== one) : [...all, one]

/** The title of a manual mostly begins with the maker; what follows is a proposal like the rest. */
function headOf({ title, models, device }: ReadFile, model: string): Head {
  const [maker = '', ...rest] = title.split(/\s+/)
  return { maker, model: model || (models[0] ?? rest.slice(0, 2).join(' ')), kind: KIND_OF_DEVICE[device] }
}

/** Keys of the bench, where no field has the focus. */
function useKeys(keys: Record<string, () => void>): void {
  useEffect(() => {
    const press = (event: KeyboardEvent) => {
      const typing = (event.target as HTMLElement).closest('input, textarea, select, [contenteditable]')
      const act = keys[event.key]
      if (typing || !act || event.ctrlKey || event.metaKey || event.altKey) return
      event.preventDefault()
      act()
    }
    window.addEventListener('keydown', press)
    return () => window.removeEventListener('keydown', press)
  }, [keys])
}
