import { Stack } from '@chakra-ui/react'
import { useState } from 'react'
import type { FourEyesDto } from '@plumb-mark/contract'
import { put } from '../data/api.js'
import { useReload, useResource } from '../data/resource.js'
import { Note } from '../ui/theme/text.js'
import { Problem } from '../ui/problem.js'
import { Tick } from '../ui/tick.js'

const ADDRESS = '/api/office/four-eyes'

/** Whether another person than its writer must look at a sheet. */
export function FourEyes() {
  const { value, problem } = useResource<FourEyesDto>(ADDRESS)
  const reload = useReload()
  const [chosen, setChosen] = useState<boolean>()
  const [refused, setRefused] = useState('')
  const change = async (wanted: boolean) => {
    setChosen(wanted)
    try {
      await put(ADDRESS, { wanted })
      setRefused('')
      await reload(ADDRESS, '/api/sheets')
    } catch (fault) {
      setChosen(undefined)
      setRefused((fault as Error).message)
    }
  }
  return (
    <Stack gap="6px" mt="12px" maxW="620px">
      <Problem>{problem || refused}</Problem>
      <Tick
        label="A sheet is released by another person than its writer"
        checked={chosen ?? value?.wanted ?? false}
        disabled={!value}
        onChange={(wanted) => void change(wanted)}
      />
      <Note>
        Until then jobs can be inspected by it, and not signed. Sheets that came with the program are in force
        as they are.
      </Note>
    </Stack>
  )
}
