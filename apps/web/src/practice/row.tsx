import { Box, Button, Text, chakra } from '@chakra-ui/react'
import { useState, type ReactNode } from 'react'
import type { Found, Where } from '@plumb-mark/practice'
import { SmallPrint } from '../ui/theme/text.js'
import { usePractice } from './session.js'
import { Cluster } from '../ui/cluster.js'
import { HandButton } from '../ui/buttons.js'

/** One place of the installation: opened, looked at, written down; then it closes. */
export function Row({
  where,
  title,
  place,
  state,
  children,
}: {
  where: Where
  title: string
  place: string
  /** What became of it, once something was written down. */
  state: ReactNode
  children: (keep: (found: Found) => void, takeBack: ReactNode) => ReactNode
}) {
  const { answers, writeDown, takeBack } = usePractice()
  const [open, setOpen] = useState(false)
  const written = answers.has(where)
  const keep = (found: Found) => {
    writeDown(found)
    setOpen(false)
  }
  return (
    <chakra.li layerStyle="ruleBelow" py="4px">
      <chakra.button
        type="button"
        w="100%"
        minH="50px"
        textAlign="left"
        display="flex"
        justifyContent="space-between"
        alignItems="center"
        gap="12px"
        cursor="pointer"
        aria-expanded={open}
        onClick={() => setOpen(!open)}
      >
        <Box>
          <Text>{title}</Text>
          <SmallPrint>{place}</SmallPrint>
        </Box>
        {written ? state : <SmallPrint>not looked at</SmallPrint>}
      </chakra.button>
      {open && (
        <Box bg="panel" p="12px" mb="6px">
          {children(
            keep,
            written && (
              <HandButton variant="plain" onClick={() => takeBack(where)}>
                Take back
              </HandButton>
            ),
          )}
        </Box>
      )}
    </chakra.li>
  )
}

/** What is there, large enough to be read across a plant room, and the button that keeps it. */
export function Shown({ words, onKeep }: { words: string; onKeep: () => void }) {
  return (
    <Cluster mt="10px">
      <Text fontFamily="mono" fontSize="24px">
        {words}
      </Text>
      <Button onClick={onKeep}>Write it down</Button>
    </Cluster>
  )
}

/** Whoever does not look writes what is usual. */
export function WillBeFine({ onKeep }: { onKeep: () => void }) {
  return (
    <HandButton variant="outline" onClick={onKeep}>
      Skip this check
    </HandButton>
  )
}
