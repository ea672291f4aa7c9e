import { useCallback, useEffect, useState } from 'react'
import { get } from './api.js'

/** What the server has at an address: undefined until it answers, or why it did not; `reload` asks again. */
export function useFetched<T>(address: string): {
  value: T | undefined
  problem: string
  reload: () => Promise<void>
} {
  const [answer, setAnswer] = useState<{ address: string; value?: T; problem?: string }>({ address })
  const reload = useCallback(
    () =>
      get<T>(address).then(
        (value) => setAnswer({ address, value }),
        (fault: Error) => setAnswer({ address, problem: fault.message }),
      ),
    [address],
  )
  useEffect(() => void reload(), [reload])
  // What came for another address is not shown for this one.
  const here = answer.address === address ? answer : undefined
  return { value: here?.value, problem: here?.problem ?? '', reload }
}
