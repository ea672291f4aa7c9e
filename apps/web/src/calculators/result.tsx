import { Box, Button, Stack, Text, chakra } from '@chakra-ui/react'
import { inBothSystems, type CalculatorName, type Verdict, type Message, type System } from '@plumb-mark/core'
import type { ReactNode } from 'react'
import { Note, SmallPrint } from '../ui/theme/text.js'
import { VerdictMark } from '../ui/verdict-mark.js'
import { Picture } from './pictures/picture.js'
import { figureLabel, figureShown } from './words/figures.js'
import type { Answer } from '../data/workers/use-rework.js'

/** The verdict, its picture, the figures, the arithmetic; or what is wrong with the input. */
export function Result({
  name,
  input,
  answer,
  system = 'metric',
  children,
  onCancel,
}: {
  name: CalculatorName
  input: unknown
  answer: Answer
  /** Of its reader: figures of the other one are followed by what they are in theirs. */
  system?: System
  /** What stands below the picture. */
  children?: ReactNode
  onCancel: () => void
}) {
  if (answer.state === 'searching') return <Searching part={answer.part} onCancel={onCancel} />
  if (answer.state === 'called-off')
    return <Text>The search was called off. Change a figure to start it again.</Text>
  if (answer.state === 'refused') {
    return (
      <Box role="alert">
        <Text fontFamily="heading" fontSize="24px" fontWeight={600} color="danger">
          This cannot be worked out yet
        </Text>
        <Text>{answer.error.message}</Text>
      </Box>
    )
  }
  const { verdict, working, notes, ...figures } = answer.result as {
    verdict?: Verdict
    working: Message[]
    notes: Message[]
  } & Record<string, unknown>
  return (
    <Stack gap="14px">
      {verdict && <VerdictMark verdict={verdict} large />}
      <Picture name={name} input={input as never} result={answer.result as never} />
      {children}
      <Figures name={name} figures={figures} />
      <Box>
        <SmallPrint>Working</SmallPrint>
        <chakra.ul
          fontFamily="mono"
          fontSize="13px"
          lineHeight={1.55}
          overflowWrap="anywhere"
          aria-label="Working"
        >
          {working.map((line, i) => (
            <li key={i}>{inBothSystems(line, system)}</li>
          ))}
        </chakra.ul>
      </Box>
      {notes.map((note) => (
        <Note key={String(note)}>{inBothSystems(note, system)}</Note>
      ))}
    </Stack>
  )
}

function Searching({ part, onCancel }: { part: number; onCancel: () => void }) {
  return (
    <Box role="status">
      <Text>Searching, {Math.round(100 * part)} %</Text>
      <chakra.progress value={part} max={1} w="100%" h="14px" />
      <Button variant="outline" mt="10px" onClick={onCancel}>
        Cancel
      </Button>
    </Box>
  )
}

const isFigure = (value: unknown): value is number | string | boolean =>
  typeof value === 'number' || typeof value === 'string' || typeof value === 'boolean'

/** The plain figures of a result; lists stand in the picture and the working. */
function Figures({ name: calculator, figures }: { name: CalculatorName; figures: Record<string, unknown> }) {
  const plain = Object.entries(figures).filter((pair): pair is [string, number | string | boolean] =>
    isFigure(pair[1]),
  )
  if (plain.length === 0) return null
  return (
    <chakra.dl display="grid" gridTemplateColumns="repeat(auto-fill, minmax(150px, 1fr))" gap="8px 18px">
      {plain.map(([name, value]) => (
        <div key={name}>
          <chakra.dt fontSize="13px" color="faint">
            {figureLabel(calculator, name)}
          </chakra.dt>
          <chakra.dd fontFamily="mono" fontSize="19px">
            {figureShown(calculator, name, value)}
          </chakra.dd>
        </div>
      ))}
    </chakra.dl>
  )
}
