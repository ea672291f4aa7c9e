import { Box, Stack, chakra } from '@chakra-ui/react'
import { ArrowLeft } from 'lucide-react'
import { useState } from 'react'
import { VERDICT_WORDS, countWords, placeIn, type CheckGroup, type JudgedCheck } from '@plumb-mark/core'
import { Note, PartHeading } from '../../ui/theme/text.js'
import { VerdictShape } from '../../ui/verdict-mark.js'
import { useMay } from '../../job/use-writable.js'
import { useFocus } from '../../job/focus.js'
import { AtHand } from '../at-hand.js'
import { OpenCheck } from '../open-check.js'
import { CheckRow, ListRow, useRowWords } from '../row.js'
import { TableOfReadings } from './table-of-readings.js'
import { WalkOver } from './walk-over.js'
import { Cluster } from '../../ui/cluster.js'
import { LinkButton } from '../../ui/buttons.js'

/** Checks that stand together, as one row. */
export function GroupRow({ group }: { group: CheckGroup }) {
  const openGroup = useFocus((focus) => focus.openGroup)
  return (
    <ListRow
      label={
        <>
          {group.title} <small>· {howMany(group)}</small>
        </>
      }
      words={countWords(group.checks.map(({ outcome }) => outcome.verdict))}
      verdict={group.verdict}
      data-group={group.key}
      aria-expanded={false}
      onClick={() => openGroup(group.key)}
    />
  )
}

const howMany = ({ together, checks }: CheckGroup): string =>
  `${checks.length} ${together === 'reading' ? 'readings' : together === 'not-applicable' ? 'checks' : 'places'}`

/** Checks that stand together, opened: what answers several of them, every place, and the one that is looked at. */
export function GroupPanel({
  group,
  open,
  onDone,
  onNext,
}: {
  group: CheckGroup
  open: JudgedCheck | undefined
  /** All of them are answered. */
  onDone: () => void
  /** The open one is answered. */
  onNext: () => void
}) {
  const writable = useMay('reading')
  const openGroup = useFocus((focus) => focus.openGroup)
  const [lastOpen, setLastOpen] = useState<string>()
  if (open && open.check.id !== lastOpen) setLastOpen(open.check.id)
  const words = useRowWords()
  const limits = new Set(group.checks.map(({ check }) => words.saying(check.required)))
  const tabled = group.together === 'reading' && writable
  const listed = group.together !== 'observation' && !tabled
  return (
    <AtHand verdict={group.verdict} label={group.title} data-open-group={group.key}>
      <Cluster justifyContent="space-between" alignItems="baseline" pr={{ base: '36px', md: '0' }}>
        <PartHeading>
          {group.title} <chakra.span color="faint">· {howMany(group)}</chakra.span>
        </PartHeading>
        {limits.size === 1 && group.together !== 'observation' && (
          <Note fontFamily="mono">{[...limits][0]}</Note>
        )}
      </Cluster>
      <Stack gap="12px" mt="10px">
        {!open && tabled && <TableOfReadings group={group} startAt={lastOpen} onDone={onDone} />}
        {!open && group.together === 'observation' && writable && <WalkOver group={group} onDone={onDone} />}
        {open && !listed && (
          <LinkButton alignSelf="start" onClick={() => openGroup(group.key)}>
            <ArrowLeft size={18} /> {tabled ? 'Back to the table' : 'Back to all places'}
          </LinkButton>
        )}
        {(group.together === 'observation' || (open && tabled)) && (
          <Places group={group} openId={open?.check.id} />
        )}
      </Stack>
      {listed && (
        <chakra.ul mx="-14px">
          {group.checks.map((judged) => (
            <li key={judged.check.id}>
              {judged === open ? (
                <Box px="14px">
                  <OpenCheck judged={judged} onDone={onNext} inside />
                </Box>
              ) : (
                <CheckRow
                  judged={judged}
                  words={words}
                  name={group.together === 'other' ? placeIn(group, judged) : undefined}
                />
              )}
            </li>
          ))}
        </chakra.ul>
      )}
      {open && !listed && <OpenCheck key={open.check.id} judged={open} onDone={onNext} inside />}
    </AtHand>
  )
}

const Place = chakra('button', {
  base: {
    display: 'inline-flex',
    alignItems: 'center',
    gap: '6px',
    minH: '44px',
    px: '10px',
    fontSize: '15px',
    textAlign: 'left',
    lineHeight: 1.15,
    border: '1px solid',
    borderColor: 'hair',
    borderRadius: '4px',
    cursor: 'pointer',
    '&[aria-pressed=true]': { borderColor: 'danger', bg: 'dangerWash', textDecoration: 'line-through' },
    '&[aria-current=true]': { borderColor: 'accent', bg: 'accentWash' },
  },
})

function Places({ group, openId }: { group: CheckGroup; openId: string | undefined }) {
  const { openCheck, choosing } = useFocus()
  return (
    <Cluster gap="6px" role="group" aria-label="Places">
      {group.checks.map((judged) => {
        const { check, outcome } = judged
        const name = group.together === 'not-applicable' ? check.title : placeIn(group, judged)
        return (
          <Place
            key={check.id}
            type="button"
            data-check={check.id}
            data-verdict={outcome.verdict}
            aria-label={`${name}: ${VERDICT_WORDS[outcome.verdict]}`}
            aria-pressed={choosing?.from.has(check.id) ? choosing.chosen.has(check.id) : undefined}
            aria-current={check.id === openId ? true : undefined}
            onClick={() => openCheck(check.id)}
          >
            <VerdictShape verdict={outcome.verdict} size={16} /> {name}
          </Place>
        )
      })}
    </Cluster>
  )
}
