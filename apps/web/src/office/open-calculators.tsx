import { Stack } from '@chakra-ui/react'
import { useState } from 'react'
import type { CalculatorsDto } from '@plumb-mark/contract'
import { put } from '../data/api.js'
import { useResource } from '../data/resource.js'
import { Note } from '../ui/theme/text.js'
import { Problem } from '../ui/problem.js'
import { Tick } from '../ui/tick.js'

const ADDRESS = '/api/office/calculators'

/** Whether the calculators answer whoever has a link to this server. */
export function OpenCalculators() {
  const { value, problem, reload } = useResource<CalculatorsDto>(ADDRESS)
  const [chosen, setChosen] = useState<boolean>()
  const [refused, setRefused] = useState('')
  const change = async (open: boolean) => {
    setChosen(open)
    try {
      await put(ADDRESS, { open })
      setRefused('')
      await reload()
    } catch (fault) {
      setChosen(undefined)
      setRefused((fault as Error).message)
    }
  }
  return (
    <Stack gap="6px" mt="12px" maxW="620px">
      <Problem>{problem || refused}</Problem>
      <Tick
        label="The calculators may be used without signing in"
        checked={chosen ?? value?.open ?? false}
        disabled={!value}
        onChange={(open) => void change(open)}
      />
      <Note>
        Links and QR codes with figures then work for an installer or a customer on the same server. No job,
        sheet or person can be seen there.
      </Note>
    </Stack>
  )
}
