import { Button, Grid, chakra } from '@chakra-ui/react'
import type { ReactNode } from 'react'
import type { Proposed } from '@plumb-mark/core'
import { FormProblems } from '../ui/form-problems.js'
import { Panel } from './panel.js'
import { ProposedNote } from './proposed.js'
import { Cluster } from '../ui/cluster.js'

interface Props {
  title: string
  /** What is kept: a bond, a cable, a part. */
  what: string
  writable: boolean
  /** Something that is needed is not said yet. */
  lacking: boolean
  columns?: number
  onKeep: () => void
  /** Takes it away; left out for what is new. */
  onRemove?: (() => void) | undefined
  removeWords?: string
  onClose: () => void
  /** Set while the thing is only proposed: it can be confirmed as it stands. Saving it confirms it too. */
  proposed?: Proposed | undefined
  /** What else can be done with it, beside keeping and removing. */
  more?: ReactNode
  children: ReactNode
}

/** The form of one thing beneath its picture: said, kept, or taken away. Who may not write reads it. */
export function PanelForm({
  title,
  what,
  writable,
  lacking,
  columns = 4,
  onKeep,
  onRemove,
  removeWords = 'Remove',
  onClose,
  proposed,
  more,
  children,
}: Props) {
  const after = (act: () => void) => () => (act(), onClose())
  return (
    <Panel title={title} onClose={onClose}>
      {proposed && <ProposedNote things={[proposed]} writable={writable} />}
      <FormProblems>
        {(unreadable) => (
          <form onSubmit={(event) => (event.preventDefault(), after(onKeep)())}>
            <chakra.fieldset disabled={!writable} minW={0}>
              <Grid templateColumns={{ base: '1fr 1fr', md: `repeat(${columns}, 1fr)` }} gap="10px">
                {children}
              </Grid>
            </chakra.fieldset>
            {writable && (
              <Cluster mt="12px">
                <Button type="submit" disabled={lacking || unreadable}>
                  Save the {what}
                </Button>
                {more}
                {onRemove && (
                  <Button variant="plain" onClick={after(onRemove)}>
                    {removeWords}
                  </Button>
                )}
              </Cluster>
            )}
          </form>
        )}
      </FormProblems>
    </Panel>
  )
}
