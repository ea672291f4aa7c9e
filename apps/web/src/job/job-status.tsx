import { HStack, Text } from '@chakra-ui/react'
import { Check, CloudOff, CloudUpload } from 'lucide-react'
import type { ReactNode } from 'react'
import { useInspection, type Sync } from './inspection.js'
import { UndoRedo, useUndoKeys } from './undo-redo.js'
import { useWritable } from './use-writable.js'

/** What can be taken back, and whether everything is kept: the same above every view of the job. */
export function JobStatus() {
  const writable = useWritable()
  useUndoKeys(writable)
  return (
    <HStack gap="2px">
      {writable && <UndoRedo />}
      <SyncMark />
    </HStack>
  )
}

const SYNC = {
  kept: { icon: <Check size={16} />, words: 'all kept', short: 'kept' },
  sending: { icon: <CloudUpload size={16} />, words: 'sending', short: 'sending' },
  waiting: {
    icon: <CloudOff size={16} />,
    words: 'kept on this device until there is signal',
    short: 'on device',
  },
} satisfies Record<Sync, { icon: ReactNode; words: string; short: string }>

function SyncMark() {
  const sync = useInspection((state) => state.sync)
  return (
    <HStack
      gap="5px"
      color={sync === 'waiting' ? 'unproven' : 'faint'}
      fontSize="13px"
      role="status"
      data-sync={sync}
    >
      {SYNC[sync].icon}
      <Text hideBelow="md">{SYNC[sync].words}</Text>
      <Text hideFrom="md">{SYNC[sync].short}</Text>
    </HStack>
  )
}
