import { Box, Button, Stack } from '@chakra-ui/react'
import { useQuery } from '@tanstack/react-query'
import { Download, Upload } from 'lucide-react'
import { useState } from 'react'
import {
  LEVEL_NAMES,
  LEVEL_WORDS,
  readScenarioFile,
  type Level,
  type ScenarioFile,
} from '@plumb-mark/practice'
import { download } from '../ui/download.js'
import { Note, SmallPrint } from '../ui/theme/text.js'
import { ChoiceField, optionsOf } from '../ui/choice-field.js'
import { Problem } from '../ui/problem.js'
import { CountField, TextField } from '../ui/text-field.js'
import { Tick } from '../ui/tick.js'
import { placesToHide, usePractice } from './session.js'
import { Cluster } from '../ui/cluster.js'
import { FileButton } from '../ui/file-button.js'

const EMPTY: ScenarioFile = {
  format: 'plumb-mark-practice',
  version: 1,
  title: '',
  level: 'dc',
  seed: 1,
  faults: [],
}

/** A trainer says where faults lie; the scenario is an open file that a class is given. */
export function OwnScenario() {
  const begin = usePractice((practice) => practice.begin)
  const [draft, setDraft] = useState(EMPTY)
  const [problem, setProblem] = useState('')
  const { data: places = [] } = useQuery({
    queryKey: ['hiding-places', draft.level, draft.seed],
    queryFn: () => placesToHide(draft),
    staleTime: Infinity,
  })
  const set = (part: Partial<ScenarioFile>) => setDraft({ ...draft, ...part })
  const flip = (id: ScenarioFile['faults'][number]) =>
    set({
      faults: draft.faults.includes(id) ? draft.faults.filter((one) => one !== id) : [...draft.faults, id],
    })
  const whenWhole = (then: (scenario: ScenarioFile) => void) => {
    try {
      then(readScenarioFile(draft))
      setProblem('')
    } catch (fault) {
      setProblem((fault as Error).message)
    }
  }
  const open = async (chosen: File) => {
    try {
      setDraft(readScenarioFile(JSON.parse(await chosen.text())))
      setProblem('')
    } catch (fault) {
      setProblem(`${chosen.name}: ${(fault as Error).message}`)
    }
  }
  return (
    <Stack gap="12px" maxW="760px">
      <Cluster alignItems="end">
        <TextField label="Title" value={draft.title} onChange={(title) => set({ title })} />
        <ChoiceField
          label="Subject"
          value={draft.level}
          options={optionsOf(LEVEL_NAMES, LEVEL_WORDS)}
          onChange={(level: Level) => set({ level, faults: [] })}
        />
        <CountField label="Number" most={999_999} value={draft.seed} onChange={(seed) => set({ seed })} />
      </Cluster>
      <Box as="fieldset" maxH="320px" overflowY="auto" border="1px solid" borderColor="hair" p="8px">
        <SmallPrint as="legend" px="4px">
          Where something is wrong: {draft.faults.length} chosen
        </SmallPrint>
        {places.map(({ id, title, place }) => (
          <Tick
            key={id}
            label={`${title}, ${place}`}
            checked={draft.faults.includes(id)}
            onChange={() => flip(id)}
          />
        ))}
      </Box>
      <Note>
        What exactly is wrong there follows from the number; the same file gives everybody the same.
      </Note>
      <Cluster>
        <Button onClick={() => whenWhole((scenario) => void begin(scenario))}>Begin it</Button>
        <Button
          variant="outline"
          onClick={() =>
            whenWhole((scenario) =>
              download(`${scenario.title}.json`, JSON.stringify(scenario, null, 2), 'application/json'),
            )
          }
        >
          <Download size={17} /> Export
        </Button>
        <FileButton
          label="Scenario file"
          accept=".json,application/json"
          onFiles={([file]) => file && open(file)}
        >
          <Upload size={17} /> Import
        </FileButton>
      </Cluster>
      <Problem>{problem}</Problem>
    </Stack>
  )
}
