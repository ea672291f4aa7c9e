import { Box, Flex, Input, Text } from '@chakra-ui/react'
import { useState } from 'react'
import { useMatch } from 'react-router'
import { Faint, SmallPrint } from '../../ui/theme/text.js'
import { VerdictMark } from '../../ui/verdict-mark.js'
import { useHits, type Hit } from './use-hits.js'

/** The line itself, and what it means; Enter does what stands beside the chosen one. */
export function Line({ onClose }: { onClose: () => void }) {
  const jobId = useMatch('/jobs/:jobId/*')?.params.jobId
  const [typed, setTyped] = useState('')
  const [at, setAt] = useState(0)
  const hits = useHits(typed, jobId === 'new' ? undefined : jobId)
  const chosen = Math.min(at, hits.length - 1)
  const take = (hit: Hit | undefined) => {
    if (!hit) return
    onClose()
    hit.go()
  }
  const onKey = (event: React.KeyboardEvent) => {
    const steps: Record<string, () => void> = {
      Escape: onClose,
      ArrowDown: () => setAt(Math.min(hits.length - 1, chosen + 1)),
      ArrowUp: () => setAt(Math.max(0, chosen - 1)),
      Enter: () => take(hits[chosen]),
    }
    const step = steps[event.key]
    if (!step) return
    event.preventDefault()
    // The same key means something to what lies behind.
    event.stopPropagation()
    step()
  }
  return (
    <Box position="fixed" inset={0} zIndex={40} bg="blackAlpha.500" onClick={onClose}>
      <Box
        role="dialog"
        aria-label="Find a check or type a reading"
        mx="auto"
        mt={{ base: '8px', md: '9vh' }}
        w={{ base: 'calc(100% - 16px)', md: '680px' }}
        bg="panel"
        borderRadius="6px"
        border="2px solid"
        borderColor="accent"
        onClick={(event) => event.stopPropagation()}
        onKeyDown={onKey}
      >
        <Input
          role="combobox"
          aria-label="Check, unit, clause, job, sheet, calculator; or a reading"
          aria-expanded={hits.length > 0}
          aria-controls="command-hits"
          aria-activedescendant={hits[chosen] ? `hit-${chosen}` : undefined}
          autoFocus
          autoComplete="off"
          value={typed}
          onChange={({ target }) => {
            setTyped(target.value)
            setAt(0)
          }}
          placeholder="inv 2 pv1+ 2.4"
          h="60px"
          fontSize="24px"
          fontFamily="mono"
          border="0"
        />
        <Box as="ul" id="command-hits" role="listbox" aria-label="What it means" maxH="60vh" overflowY="auto">
          {hits.map((hit, i) => (
            <Row key={hit.key} id={`hit-${i}`} hit={hit} chosen={i === chosen} onTake={() => take(hit)} />
          ))}
        </Box>
        {typed.trim().length > 1 && hits.length === 0 && (
          <Faint px="16px" py="12px">
            Nothing is called that. Try a unit and a thing (inv 2 pv1+), a word of the trade (torque, Voc,
            RCD, polarity), a clause (6.3), or what a screen is called.
          </Faint>
        )}
      </Box>
    </Box>
  )
}

function Row({ id, hit, chosen, onTake }: { id: string; hit: Hit; chosen: boolean; onTake: () => void }) {
  return (
    <Flex
      layerStyle="ruleAbove"
      as="li"
      id={id}
      role="option"
      aria-selected={chosen}
      align="center"
      gap="14px"
      px="16px"
      py="8px"
      minH="52px"
      cursor="pointer"
      bg={chosen ? 'accentWash' : undefined}
      onClick={onTake}
    >
      <Box flex="1" minW={0}>
        <Text fontWeight={600} lineHeight={1.2}>
          {hit.title}
        </Text>
        <SmallPrint lineClamp={1}>{hit.detail}</SmallPrint>
      </Box>
      {hit.verdict && <VerdictMark verdict={hit.verdict} />}
      {chosen && <SmallPrint whiteSpace="nowrap">Enter: {hit.does}</SmallPrint>}
    </Flex>
  )
}
