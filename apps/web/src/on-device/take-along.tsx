import { Button, Checkbox, Progress, Text } from '@chakra-ui/react'
import { useState } from 'react'
import type { JobPage } from '@plumb-mark/contract'
import { useResource } from '../data/resource.js'
import { Note } from '../ui/theme/text.js'
import { Problem } from '../ui/problem.js'
import { takeAlong, type KeptJob } from '../offline/kept-jobs.js'
import { askStorage } from '../offline/storage.js'
import { Row, Section } from '../ui/section.js'

/** Chooses jobs to be fetched whole, with sheets, instruments and small photos, before going where there is no signal. */
export function TakeAlong({ jobs }: { jobs: readonly KeptJob[] }) {
  const { value: page, problem } = useResource<JobPage>('/api/jobs?limit=50&state=open')
  const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set())
  const [progress, setProgress] = useState<{ done: number; of: number }>()
  const [fault, setFault] = useState('')
  const here = new Set(jobs.filter((job) => job.chosen).map(({ id }) => id))
  const choose = (id: string) =>
    setChosen(new Set(chosen.has(id) ? [...chosen].filter((one) => one !== id) : [...chosen, id]))
  const take = async (ids: readonly string[]) => {
    setFault('')
    setProgress({ done: 0, of: ids.length })
    try {
      await takeAlong(ids, (done, of) => setProgress({ done, of }))
      setChosen(new Set())
    } catch (why) {
      setFault(`Not all of it is here: ${(why as Error).message}`)
    } finally {
      setProgress(undefined)
      await askStorage()
    }
  }
  const more = page?.jobs.filter(({ id }) => !here.has(id)) ?? []
  return (
    <Section
      title="Take along"
      actions={
        <>
          {here.size > 0 && (
            <Button variant="outline" onClick={() => void take([...here])} disabled={progress !== undefined}>
              Fetch anew
            </Button>
          )}
          <Button
            onClick={() => void take([...chosen])}
            disabled={chosen.size === 0 || progress !== undefined}
          >
            Take along{chosen.size > 0 ? ` (${chosen.size})` : ''}
          </Button>
        </>
      }
    >
      {progress && (
        <Progress.Root
          value={(100 * progress.done) / Math.max(1, progress.of)}
          mt="10px"
          aria-label="Fetching"
        >
          <Progress.Track>
            <Progress.Range />
          </Progress.Track>
        </Progress.Root>
      )}
      {fault && <Problem mt="8px">{fault}</Problem>}
      {problem && <Note mt="8px">More jobs can be chosen when there is signal.</Note>}
      {page && more.length === 0 && <Note mt="8px">All open jobs are on this device.</Note>}
      {more.map(({ id, number, title, site }) => (
        <Row key={id}>
          <Checkbox.Root checked={chosen.has(id)} onCheckedChange={() => choose(id)} flex="1" minH="44px">
            <Checkbox.HiddenInput />
            <Checkbox.Control borderColor="faint" bg="panel" />
            <Checkbox.Label>
              {number} · {title}
              <Text as="span" color="faint" fontWeight={400}>
                {' '}
                {site}
              </Text>
            </Checkbox.Label>
          </Checkbox.Root>
        </Row>
      ))}
    </Section>
  )
}
