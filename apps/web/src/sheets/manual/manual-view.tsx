import { Box } from '@chakra-ui/react'
import { useState } from 'react'
import { useSearchParams } from 'react-router'
import type { SheetInLibrary } from '@plumb-mark/contract'
import { sheetName } from '@plumb-mark/core'
import { Frame } from '../../layout/frame.js'
import { useResource } from '../../data/resource.js'
import { useManual } from '../../data/workers/use-manual.js'
import { Problem } from '../../ui/problem.js'
import { Note, ViewTitle } from '../../ui/theme/text.js'
import { Bench } from './bench.js'
import { DropManual, ReadingManual, Unlock } from './choose-manual.js'

/** From the maker’s manual to a draft of a sheet, or of the next revision of the one that is named in the address. */
export function ManualView() {
  const [search] = useSearchParams()
  const of = search.get('of')
  const { value: before, problem } = useResource<SheetInLibrary>(
    of ? `/api/sheets/${encodeURIComponent(of)}` : undefined,
  )
  const { reading, read, stop } = useManual()
  const [file, setFile] = useState<File>()
  const [model, setModel] = useState('')
  const [password, setPassword] = useState<string>()
  const start = (chosen: File, wanted = '', secret = password) => {
    setFile(chosen)
    setModel(wanted)
    read({ file: chosen, model: wanted || undefined, password: secret })
  }
  if (reading.state === 'read' && file && (before || !of))
    return (
      <Bench
        key={`${file.name} ${model} ${reading.read.facts.length}`}
        file={file}
        read={reading.read}
        before={before}
        model={reading.read.model ?? ''}
        password={password}
        onModel={(wanted) => start(file, wanted)}
        onLeave={stop}
      />
    )
  const title = of ? 'New edition of a manual' : 'New sheet from a manual'
  return (
    <Frame title={title}>
      <Box layerStyle="page" maxW="760px">
        <ViewTitle>{title}</ViewTitle>
        <Note mt="8px" fontSize="16px">
          {before
            ? `It is laid beside ${sheetName(before.sheet)}: what says the same is carried over, what differs is shown figure by figure and waits for you.`
            : 'Every figure that is found stands beside the place in the manual where it is printed. Nothing of it is in force until you accept it.'}{' '}
          The file is read on this device.
        </Note>
        <Problem mt="14px">{problem}</Problem>
        {reading.state === 'reading' ? (
          <ReadingManual {...reading} name={file?.name ?? ''} onStop={stop} />
        ) : (
          <DropManual onFile={(chosen) => start(chosen)} />
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
