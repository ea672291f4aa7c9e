import { Button, Stack } from '@chakra-ui/react'
import { useState } from 'react'
import { ENTERED, ENTERED_WORDS, type Entered, type Scope } from '@plumb-mark/core'
import { Note } from '../ui/theme/text.js'
import { TextField } from '../ui/text-field.js'
import { Tick } from '../ui/tick.js'
import { Cluster } from '../ui/cluster.js'

const USUAL = [
  'battery added to an existing system',
  'only exchanged units are inspected',
  'inspected by somebody else',
  'not built yet',
] as const

/** What the job is about: the whole installation, or named parts and why. What lies outside is said to be not inspected here. */
export function ScopePart({
  scope,
  disabled,
  onChange,
}: {
  scope: Scope | undefined
  disabled: boolean
  onChange: (scope: Scope) => void
}) {
  const [outside, setOutside] = useState<readonly Entered[]>(scope?.outside ?? [])
  const [reason, setReason] = useState(scope?.reason ?? '')
  const tick = (one: Entered, on: boolean) =>
    setOutside(ENTERED.filter((other) => (other === one ? on : outside.includes(other))))
  return (
    <Stack
      as="form"
      onSubmit={(event) => (
        event.preventDefault(),
        onChange({
          outside: [...outside],
          reason: outside.length > 0 ? reason.trim() : 'the whole installation',
        })
      )}
      aria-label="Scope"
    >
      <Note>
        The whole installation, unless something is ticked here: what is ticked is not asked for, and the
        record says that it was not inspected.
      </Note>
      {ENTERED.map((one) => (
        <Tick
          key={one}
          label={ENTERED_WORDS[one]}
          checked={outside.includes(one)}
          disabled={disabled}
          onChange={(on) => tick(one, on)}
        />
      ))}
      {outside.length > 0 && (
        <>
          <TextField label="Why" value={reason} required readOnly={disabled} onChange={setReason} />
          {!disabled && (
            <Cluster role="group" aria-label="Usual reasons" gap="6px">
              {USUAL.map((one) => (
                <Button
                  key={one}
                  variant="outline"
                  aria-pressed={one === reason}
                  onClick={() => setReason(one)}
                >
                  {one}
                </Button>
              ))}
            </Cluster>
          )}
        </>
      )}
      {!disabled && (
        <Button type="submit" variant="outline" alignSelf="flex-start">
          Save the scope
        </Button>
      )}
    </Stack>
  )
}
