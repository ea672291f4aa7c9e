import { Box, Button, HStack, Progress } from '@chakra-ui/react'
import { useRef, useState, type ReactNode } from 'react'
import { v7 as uuid } from 'uuid'
import type { WorkProgress } from '@plumb-mark/contract'
import { ApiError, getFile } from './api.js'
import { download } from '../ui/download.js'
import { Note, SmallDanger } from '../ui/theme/text.js'

/** What the server has to work on before it can be had: how far it is, and a way to call it off. */
export function LongDownload({
  address,
  fields = {},
  children,
}: {
  address: string
  /** What else the address asks for. */
  fields?: Record<string, string>
  children: ReactNode
}) {
  const [progress, setProgress] = useState<WorkProgress>()
  const [problem, setProblem] = useState('')
  const calledOff = useRef<AbortController>(undefined)
  const fetchIt = async () => {
    const work = uuid()
    const stop = (calledOff.current = new AbortController())
    setProblem('')
    setProgress({ done: 0, of: 0 })
    const news = new EventSource(`/api/work/${work}/live`)
    news.onmessage = ({ data }: MessageEvent<string>) => setProgress(JSON.parse(data) as WorkProgress)
    try {
      const { name, content } = await getFile(
        `${address}?${new URLSearchParams({ ...fields, work })}`,
        stop.signal,
      )
      // A page that answers in the server's place, such as the one by which a network lets people in, names no file.
      if (name === undefined) throw new ApiError(200, 'fault', 'what answered is not the server')
      download(name, content)
    } catch (fault) {
      if (!stop.signal.aborted) setProblem(fault instanceof ApiError ? fault.message : 'it did not arrive')
    } finally {
      news.close()
      setProgress(undefined)
    }
  }
  return (
    <Box>
      {progress ? (
        <HStack gap="10px" minH="44px">
          <Progress.Root
            value={progress.of > 0 ? (100 * progress.done) / progress.of : null}
            w="150px"
            aria-label="Being made"
          >
            <Progress.Track>
              <Progress.Range />
            </Progress.Track>
          </Progress.Root>
          {progress.before !== undefined && (
            <Note as="span" role="status">
              {progress.before === 1 ? 'next in line' : `${progress.before - 1} before it in line`}
            </Note>
          )}
          <Button variant="plain" onClick={() => calledOff.current?.abort()}>
            Cancel
          </Button>
        </HStack>
      ) : (
        <Button variant="outline" onClick={() => void fetchIt()}>
          {children}
        </Button>
      )}
      {problem && (
        <SmallDanger role="alert">
          Not made: {problem}
        </SmallDanger>
      )}
    </Box>
  )
}
