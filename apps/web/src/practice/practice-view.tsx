import { Box, Stack, Text } from '@chakra-ui/react'
import { useState } from 'react'
import { DIFFICULTIES, LEVEL_NAMES, LEVEL_WORDS, type Difficulty, type Level } from '@plumb-mark/practice'
import { Page } from '../layout/page.js'
import { Lead, Note, SubTitle } from '../ui/theme/text.js'
import { ChoiceField, optionsOf } from '../ui/choice-field.js'
import { TextField } from '../ui/text-field.js'
import { BeginTour } from '../layout/begin-tour.js'
import { whenHere } from '../data/here-time.js'
import { Installation } from './installation.js'
import { Result } from './result.js'
import { ByClause } from './by-clause.js'
import { OwnScenario } from './own-scenario.js'
import { usePractice } from './session.js'
import { Cluster } from '../ui/cluster.js'
import { HandButton, LinkButton } from '../ui/buttons.js'
import { Item } from '../ui/list.js'

/** Made-up installations with hidden faults: nothing of them ever reaches a real job. */
export function PracticeView() {
  const { scenario, score, problem } = usePractice()
  return (
    <Page title="Practice" width="1040px" problem={problem && `This one cannot be begun: ${problem}`}>
      {!scenario && <Begin />}
      {scenario && !score && <Installation scenario={scenario} />}
      {scenario && score && <Result scenario={scenario} score={score} />}
    </Page>
  )
}

const DIFFICULTY_WORDS = {
  easy: 'easy: up to two faults',
  fair: 'fair: up to four faults',
  hard: 'hard: up to seven faults',
} satisfies Record<Difficulty, string>

function Begin() {
  const { begin, past } = usePractice()
  const [level, setLevel] = useState<Level>('dc')
  const [difficulty, setDifficulty] = useState<Difficulty>('easy')
  const [seed, setSeed] = useState(() => String(1 + Math.floor(Math.random() * 9999)))
  const [writing, setWriting] = useState(false)
  const whole = /^\d{1,9}$/.test(seed.trim())
  return (
    <Stack gap="14px" mt="10px" maxW="640px">
      <Lead>
        An installation on this device, made up, with faults hidden in it. Look at what there is, choose what
        to measure with, write down what you find, and see what you missed.
      </Lead>
      <Note>
        With the same number a class inspects the same installation. On a real site: prove dead before
        touching, wait as long as the maker asks, and let only qualified people open live equipment.
      </Note>
      <BeginTour />
      <Cluster alignItems="end">
        <ChoiceField
          label="Subject"
          value={level}
          options={optionsOf(LEVEL_NAMES, LEVEL_WORDS)}
          onChange={setLevel}
        />
        <ChoiceField
          label="How hard"
          value={difficulty}
          options={optionsOf(DIFFICULTIES, DIFFICULTY_WORDS)}
          onChange={setDifficulty}
        />
        <TextField
          label="Number of the installation"
          inputMode="numeric"
          value={seed}
          onChange={setSeed}
          problem={whole ? undefined : 'a whole number'}
        />
      </Cluster>
      <HandButton
        alignSelf="start"
        disabled={!whole}
        onClick={() => void begin({ level, difficulty, seed: Number(seed) })}
      >
        Begin
      </HandButton>
      <LinkButton alignSelf="start" aria-expanded={writing} onClick={() => setWriting(!writing)}>
        {writing ? 'Close the own scenario' : 'Write or import a scenario of your own'}
      </LinkButton>
      {writing && <OwnScenario />}
      {past.length > 0 && <ByClause past={past} />}
      {past.length > 0 && (
        <Box as="section" aria-label="Practised so far" mt="14px">
          <SubTitle>Practised so far</SubTitle>
          <ul>
            {past.slice(0, 12).map((one) => (
              <Item key={one.at}>
                <Cluster justifyContent="space-between">
                  <Text>
                    {LEVEL_WORDS[one.level]}, {one.difficulty}, number {one.seed}
                  </Text>
                  <Text fontFamily="mono" color={one.passed ? 'accent' : 'danger'}>
                    {one.points} of 100, {one.passed ? 'passed' : 'not passed'}
                  </Text>
                </Cluster>
                <Note>
                  {whenHere(one.at)}, {one.minutes} min
                  {one.missed.length > 0 && `; missed: ${one.missed.join('; ')}`}
                </Note>
              </Item>
            ))}
          </ul>
        </Box>
      )}
    </Stack>
  )
}
