import { Box, Button, Stack } from '@chakra-ui/react'
import { useState } from 'react'
import { Link } from 'react-router'
import type { SampleSheet } from '@plumb-mark/contract'
import { UNIT_KIND_WORDS, plural, sheetName } from '@plumb-mark/core'
import { post } from '../data/api.js'
import { useReload, useResource } from '../data/resource.js'
import { Problem } from '../ui/problem.js'
import { Tick } from '../ui/tick.js'
import { Note } from '../ui/theme/text.js'
import { Cluster } from '../ui/cluster.js'

const ADDRESS = '/api/samples/sheets'

/** From a manual, from the kind of unit, or from what comes with the program: house rules to begin with, and invented makers to look round. */
export function FirstSheets() {
  const { value: samples = [] } = useResource<SampleSheet[]>(ADDRESS)
  const open = samples.filter(({ here }) => !here)
  const [house, makers] = [open.filter(isHouse), open.filter((one) => !isHouse(one))]
  return (
    <Stack gap="12px">
      <Cluster>
        <Button asChild>
          <Link to="/sheets/from-manual">From a maker’s manual</Link>
        </Button>
        <Button asChild variant="outline">
          <Link to="/sheets/without-manual">Without a manual, by the kind of unit</Link>
        </Button>
      </Cluster>
      {open.length === 0 && <Note>All samples are in the library.</Note>}
      <Taking
        title="House rules to begin with"
        note="What no maker says: the AC side, the site, the grid. Read them, and write a revision of your own."
        samples={house}
      />
      <Taking
        title="Samples of invented makers, for looking round"
        note="No unit of these makers exists. They are marked as samples in the library."
        samples={makers}
      />
    </Stack>
  )
}

const wordsOf = (sample: SampleSheet): string =>
  isHouse(sample) ? sample.title : `${sheetName(sample)}, ${UNIT_KIND_WORDS[sample.kind]}`

const isHouse = ({ kind }: SampleSheet): boolean => kind === 'installation'

function Taking({ title, note, samples }: { title: string; note: string; samples: readonly SampleSheet[] }) {
  const reload = useReload()
  const [left, setLeft] = useState<ReadonlySet<string>>(new Set())
  const [problem, setProblem] = useState('')
  const wanted = samples.filter(({ id }) => !left.has(id))
  if (samples.length === 0) return null
  const flip = (id: string, take: boolean) =>
    setLeft(new Set(take ? [...left].filter((one) => one !== id) : [...left, id]))
  const take = async () => {
    try {
      await post(ADDRESS, { ids: wanted.map(({ id }) => id) })
      await reload(ADDRESS, '/api/sheets')
    } catch (fault) {
      setProblem((fault as Error).message)
    }
  }
  return (
    <Box layerStyle="ruleAbove" as="section" aria-label={title} pt="10px">
      <Box fontWeight={600}>{title}</Box>
      <Note>{note}</Note>
      {samples.map((one) => (
        <Tick
          key={one.id}
          label={wordsOf(one)}
          checked={!left.has(one.id)}
          onChange={(on) => flip(one.id, on)}
        />
      ))}
      <Problem>{problem}</Problem>
      <Button variant="outline" mt="8px" disabled={wanted.length === 0} onClick={() => void take()}>
        Take {plural(wanted.length, 'sheet')} into the library
      </Button>
    </Box>
  )
}
