import { Stack } from '@chakra-ui/react'
import { useState, type ReactNode } from 'react'
import { put } from '../data/api.js'
import { useReload, useResource } from '../data/resource.js'
import { Note } from '../ui/theme/text.js'
import { Problem } from '../ui/problem.js'
import { Tick } from '../ui/tick.js'

/** One thing that the office has on or off, kept with the touch; what was refused stands as it was. */
export function OfficeSwitch({
  address,
  name,
  label,
  also = [],
  children,
}: {
  address: string
  /** The member that says so, on the wire. */
  name: string
  label: string
  /** What else is to be asked for again. */
  also?: readonly string[]
  /** What it means. */
  children: ReactNode
}) {
  const { value, problem } = useResource<Record<string, boolean>>(address)
  const reload = useReload()
  const [chosen, setChosen] = useState<boolean>()
  const [refused, setRefused] = useState('')
  const change = async (on: boolean) => {
    setChosen(on)
    try {
      await put(address, { [name]: on })
      setRefused('')
      await reload(address, ...also)
    } catch (fault) {
      setChosen(undefined)
      setRefused((fault as Error).message)
    }
  }
  return (
    <Stack gap="6px" mt="12px" maxW="620px">
      <Problem>{problem || refused}</Problem>
      <Tick
        label={label}
        checked={chosen ?? value?.[name] ?? false}
        disabled={!value}
        onChange={(on) => void change(on)}
      />
      <Note>{children}</Note>
    </Stack>
  )
}
