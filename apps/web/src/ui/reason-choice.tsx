import { Button } from '@chakra-ui/react'
import { useState } from 'react'
import { isSentence } from '@plumb-mark/core'
import { TextField } from './text-field.js'
import { Cluster } from './cluster.js'

/** Why something is so: one touch for the usual reasons, or one in words of one's own. */
export function ReasonChoice({
  label,
  reasons,
  verb,
  whole = false,
  onTake,
}: {
  label: string
  reasons: readonly string[]
  verb: string
  /** A word alone is not enough. */
  whole?: boolean
  onTake: (reason: string) => void
}) {
  const [own, setOwn] = useState('')
  const enough = whole ? isSentence(own) : own.trim() !== ''
  return (
    <Cluster role="group" aria-label={label} gap="6px" py="6px" alignItems="flex-end">
      {reasons.map((reason) => (
        <Button
          key={reason}
          variant="outline"
          h="auto"
          py="8px"
          whiteSpace="normal"
          onClick={() => onTake(reason)}
        >
          {reason}
        </Button>
      ))}
      <TextField label="Another reason" value={own} onChange={setOwn} />
      <Button disabled={!enough} onClick={() => onTake(own.trim())}>
        {verb}
      </Button>
    </Cluster>
  )
}
