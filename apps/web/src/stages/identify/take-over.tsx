import { Button, Flex, Stack } from '@chakra-ui/react'
import { useMemo, useState } from 'react'
import { v7 as uuid } from 'uuid'
import { alikeTo, type AlikePart, type UnitBuilt } from '@plumb-mark/core'
import { Note } from '../../ui/theme/text.js'
import { Tick } from '../../ui/tick.js'
import { useInspection } from '../../job/inspection.js'
import { useCommit } from '../../job/use-commit.js'
import { Panel } from '../panel.js'

const KIND_WORDS = {
  layout: 'placed',
  string: 'string',
  bond: 'bond',
  part: 'part',
  cable: 'cable',
} satisfies Record<AlikePart['what'], string>

/** What stands at a unit like this one, as a proposal: what was seen to be the same is taken over, what was read there never is. */
export function TakeOver({ from, to, onDone }: { from: UnitBuilt; to: UnitBuilt; onDone: () => void }) {
  const asBuilt = useInspection(({ committed }) => committed?.state.asBuilt)
  const commit = useCommit()
  const parts = useMemo(
    () => (asBuilt ? alikeTo(from, to, asBuilt, (of) => `${of}-${uuid().slice(-6)}`) : []),
    [from, to, asBuilt],
  )
  const [left, setLeft] = useState<ReadonlySet<string>>(new Set())
  const chosen = parts.filter(({ id, needs }) => !left.has(id) && !needs.some((one) => left.has(one)))
  const flip = (id: string) => {
    const next = new Set(left)
    if (!next.delete(id)) next.add(id)
    setLeft(next)
  }
  return (
    <Panel title={`${to.label} like ${from.label}`} onClose={onDone}>
      <Note mb="8px">
        Leave ticked only what you have seen to be the same. Places, lengths that differ, serials and readings
        are its own: nothing that was read at {from.label} is taken over.
      </Note>
      <Stack gap="0">
        {parts.map((part) => (
          <Tick
            key={part.id}
            label={`${part.label} (${KIND_WORDS[part.what]})`}
            checked={chosen.includes(part)}
            onChange={() => flip(part.id)}
          />
        ))}
      </Stack>
      <Flex gap="8px" mt="10px">
        <Button
          disabled={chosen.length === 0}
          onClick={() => commit(...chosen.map(({ change }) => change)) && onDone()}
        >
          Take over {chosen.length}
        </Button>
        <Button variant="plain" onClick={onDone}>
          Cancel
        </Button>
      </Flex>
    </Panel>
  )
}

/** A unit of the same sheet that something can be taken over from. */
export function useAlike(to: UnitBuilt): UnitBuilt | undefined {
  const asBuilt = useInspection(({ committed }) => committed?.state.asBuilt)
  return useMemo(
    () => asBuilt?.units.find((from) => alikeTo(from, to, asBuilt, (of) => of).length > 0),
    [asBuilt, to],
  )
}
