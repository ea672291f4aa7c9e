import { Box, Button, Flex, Grid, Text } from '@chakra-ui/react'
import { useEffect, useMemo, useState } from 'react'
import { useNavigate, useParams } from 'react-router'
import { isMap, isSeq, parseDocument } from 'yaml'
import { readSheetText, type SheetInLibrary } from '@plumb-mark/contract'
import {
  formatQuantity,
  sheetDifferences,
  unprovableLimits,
  type Instrument,
  type PinnedSheet,
  type Unprovable,
} from '@plumb-mark/core'
import { Frame } from '../../layout/frame.js'
import { get, post, type ApiError } from '../../data/api.js'
import { Problem } from '../../ui/problem.js'
import { RenderBoundary } from '../../ui/render-boundary.js'
import { Differences } from '../differences.js'
import { editText } from './apply-change.js'
import { SheetForm } from './sheet-form.js'
import { YamlEditor } from './yaml-editor.js'
import { BLANK } from './blank.js'
import { draftOf, forgetDraft, keepDraft, useLeavingAsks, type SheetDraft } from './draft.js'
import { Danger, Faint, Small, SmallUnproven } from '../../ui/theme/text.js'
import { Cluster } from '../../ui/cluster.js'

/** The editor of a sheet: the file on one side, a form on the other, both the same data at every moment. */
export function SheetEditorView() {
  const { id } = useParams()
  const go = useNavigate()
  const [from, setFrom] = useState<SheetInLibrary>()
  const [text, setText] = useState<string>()
  const [open, setOpen] = useState<number>()
  const [goTo, setGoTo] = useState<{ line: number }>()
  const [problem, setProblem] = useState<string>()
  const [saving, setSaving] = useState(false)
  const [side, setSide] = useState<'both' | 'changes'>('both')
  const [draft, setDraft] = useState<SheetDraft>()
  const [source, setSource] = useState(false)
  const instruments = useLibraryInstruments()
  useEffect(() => {
    const begin = (source: string) => {
      const kept = draftOf(id)
      setDraft(kept)
      setText(kept?.text ?? source)
    }
    if (!id) return begin(BLANK)
    get<SheetInLibrary>(`/api/sheets/${id}`).then(
      (one) => (setFrom(one), begin(one.source)),
      (fault: ApiError) => setProblem(fault.message),
    )
  }, [id])
  const before = from?.source ?? BLANK
  const unsaved = text !== undefined && text !== before
  useLeavingAsks(unsaved)
  // What is written is on the device at every moment: a link, a reload or an empty battery loses none of it.
  useEffect(() => {
    if (text === undefined) return
    if (text === before) forgetDraft(id)
    else keepDraft(id, { text, at: new Date().toISOString(), fingerprint: from?.fingerprint })
  }, [id, text, before, from])
  const read = useMemo(() => (text === undefined ? undefined : readSheetText(text)), [text])
  const document = useMemo(() => parseDocument(text ?? '', { keepSourceTokens: false }), [text])
  const data = useMemo(() => asObject(document), [document])
  const faults = useMemo(() => (!read ? [] : read.ok ? read.passedOver : read.faults), [read])
  const [fault] = faults
  const problems = useMemo(
    () =>
      Object.fromEntries(
        faults.flatMap(({ path, message }) => (path ? [[path, message.replace(`${path}: `, '')]] : [])),
      ),
    [faults],
  )
  if (text === undefined)
    return (
      <Frame title="Sheet">
        <Problem p="24px">{problem}</Problem>
      </Frame>
    )

  const change = (next: Record<string, unknown>) => {
    setText(editText(text, data, next))
  }
  const openRequirement = (i: number | undefined) => {
    setOpen(i)
    const line = i === undefined ? undefined : lineOf(text, i)
    if (line) setGoTo({ line })
  }
  const save = async () => {
    if (!read?.ok || fault || saving) return
    setSaving(true)
    try {
      const kept = await post<PinnedSheet>('/api/sheets', {
        source: text,
        replace: from !== undefined && from.usedBy.length === 0,
      })
      forgetDraft(id)
      await go(`/sheets/${kept.id}`)
    } catch (refused) {
      setProblem((refused as Error).message)
      setSaving(false)
    }
  }
  const discard = () => {
    setDraft(undefined)
    setText(before)
  }
  const unprovable = read?.ok && instruments.length > 0 ? unprovableLimits(read.sheet, instruments) : []
  return (
    <Frame title={from ? `Editing ${from.sheet.maker} ${from.sheet.model}` : 'A new sheet'}>
      <Flex direction="column" h={{ lg: 'calc(100dvh - 53px)' }}>
        <Cluster layerStyle="ruleBelow" px="18px" py="8px">
          <Text
            flex="1"
            minW="220px"
            fontSize="14px"
            lineClamp={3}
            color={fault ? 'danger' : 'faint'}
            role="status"
          >
            {problem ??
              (fault
                ? `${faults.length > 1 ? `${faults.length} faults; ` : ''}${fault.line ? `line ${fault.line}: ` : ''}${fault.message}`
                : from && from.usedBy.length > 0
                  ? `Revision ${from.sheet.revision} is used by ${from.usedBy.length} job${from.usedBy.length === 1 ? '' : 's'} and stays as it is: give yours a revision of its own.`
                  : 'The sheet reads without a fault.')}
          </Text>
          <Button variant="outline" aria-pressed={source} onClick={() => setSource(!source)}>
            Source
          </Button>
          {from && read?.ok && (
            <Button
              variant="outline"
              aria-pressed={side === 'changes'}
              onClick={() => setSide(side === 'both' ? 'changes' : 'both')}
            >
              {side === 'both'
                ? `Changes (${sheetDifferences(from.sheet, read.sheet).length})`
                : 'Back to the form'}
            </Button>
          )}
          <Leave unsaved={unsaved} onLeave={() => void go(from ? `/sheets/${id}` : '/sheets')} />
          <Button onClick={() => void save()} disabled={!read?.ok || fault !== undefined} loading={saving}>
            Save to the library
          </Button>
        </Cluster>
        {draft && (
          <DraftNotice draft={draft} changed={draft.fingerprint !== from?.fingerprint} onDiscard={discard} />
        )}
        {unprovable.length > 0 && <UnprovableNote found={unprovable} />}
        <Grid
          templateColumns={{ base: '1fr', lg: source ? '1fr 1fr' : '1fr' }}
          templateRows={{ lg: 'minmax(0, 1fr)' }}
          flex="1"
          minH={0}
        >
          {source && (
            <Box
              minH={{ base: '50dvh', lg: 0 }}
              overflow="hidden"
              borderRight={{ lg: '1px solid' }}
              borderColor={{ lg: 'hair' }}
            >
              <YamlEditor
                text={text}
                faults={faults}
                goTo={goTo}
                onChange={(next) => (setText(next), setProblem(undefined))}
                onLine={(line) => setOpen(requirementAt(text, line))}
                onSave={() => void save()}
              />
            </Box>
          )}
          <Box overflowY="auto" minH={0} w="100%" maxW={source ? undefined : '980px'} mx="auto">
            <RenderBoundary
              of={text}
              instead={
                <Danger p="18px" role="alert">
                  The form cannot show what the text says here; the text beside it is whole. Look for an item
                  without content.
                </Danger>
              }
            >
              {side === 'changes' && from && read?.ok ? (
                <Box p="18px">
                  <Differences before={from.sheet} after={read.sheet} />
                </Box>
              ) : data ? (
                <SheetForm
                  data={data}
                  problems={problems}
                  open={open}
                  onOpen={openRequirement}
                  onChange={change}
                />
              ) : (
                <Faint p="18px">The form comes back when the text reads as YAML again.</Faint>
              )}
            </RenderBoundary>
          </Box>
        </Grid>
      </Flex>
    </Frame>
  )
}

/** What is unsaved stays on the device as a draft; it is said once before it is left. */
function Leave({ unsaved, onLeave }: { unsaved: boolean; onLeave: () => void }) {
  const [asked, setAsked] = useState(false)
  return unsaved && !asked ? (
    <Button variant="plain" onClick={() => setAsked(true)}>
      Leave
    </Button>
  ) : (
    <Button variant="plain" onClick={onLeave}>
      {unsaved ? 'Leave; the draft stays on this device' : 'Leave'}
    </Button>
  )
}

function DraftNotice({
  draft,
  changed,
  onDiscard,
}: {
  draft: SheetDraft
  changed: boolean
  onDiscard: () => void
}) {
  return (
    <Cluster role="note" px="18px" py="6px" bg="unprovenWash">
      <Small flex="1 1 260px">
        A draft from this device, of {new Date(draft.at).toLocaleString()}, not saved to the library.
        {changed ? ' The sheet was changed by somebody since it was begun.' : ''}
      </Small>
      <Button variant="outline" onClick={onDiscard}>
        Discard the draft
      </Button>
    </Cluster>
  )
}

const MOST_NAMED = 4

/** Limits that none of the office's instruments could show to be kept: told while the maker can still be asked. */
function UnprovableNote({ found }: { found: readonly Unprovable[] }) {
  const words = found
    .slice(0, MOST_NAMED)
    .map(({ path, dimension, needs }) =>
      needs === undefined
        ? `${path}: no instrument of the office measures it there`
        : `${path}: narrower than ${formatQuantity(needs, dimension)}, which the finest instrument of the office needs`,
    )
  return (
    <SmallUnproven px="18px" py="6px" role="note">
      {words.join('; ')}
      {found.length > MOST_NAMED ? `; and ${found.length - MOST_NAMED} more` : ''}. What is read there will
      not be proven.
    </SmallUnproven>
  )
}

/** The instruments of the office; none while they are not known. */
function useLibraryInstruments(): readonly Instrument[] {
  const [instruments, setInstruments] = useState<readonly Instrument[]>()
  useEffect(() => {
    get<readonly Instrument[]>('/api/instruments').then(setInstruments, () => setInstruments(undefined))
  }, [])
  return instruments ?? NONE_KNOWN
}
const NONE_KNOWN: readonly Instrument[] = []

function asObject(document: ReturnType<typeof parseDocument>): Record<string, unknown> | undefined {
  if (document.errors.length > 0 || !isMap(document.contents)) return undefined
  return document.toJS({ maxAliasCount: 50 }) as Record<string, unknown>
}

/** Lines, from 1, on which the requirements of a text begin. */
function startsOf(text: string): number[] {
  const requirements = parseDocument(text).get('requirements', true)
  if (!isSeq(requirements)) return []
  return requirements.items.flatMap((item) => {
    const range = (item as { range?: [number, number, number] }).range
    return range ? [text.slice(0, range[0]).split('\n').length] : []
  })
}

const lineOf = (text: string, i: number): number | undefined => startsOf(text)[i]

function requirementAt(text: string, line: number): number | undefined {
  const i = startsOf(text).findLastIndex((start) => start <= line)
  return i < 0 ? undefined : i
}
