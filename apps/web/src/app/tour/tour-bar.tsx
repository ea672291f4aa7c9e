import { Box, Button, Flex, Text } from '@chakra-ui/react'
import { Check, X } from 'lucide-react'
import { useEffect, useState } from 'react'
import { useLocation, useNavigate } from 'react-router'
import type { JobPage } from '@plumb-mark/contract'
import { useResource } from '../../data/resource.js'
import { prefer, usePreferences } from '../../data/preferences.js'
import { stopsFor, type Stop } from './steps.js'

/** Beneath every screen while somebody is on the tour: where one stands, what there is to see, and the way on. */
export function TourBar() {
  const at = usePreferences(({ tourAt }) => tourAt)
  return at === undefined ? null : <Bar at={at} />
}

function Bar({ at }: { at: number }) {
  const go = (tourAt: number | undefined) => prefer({ tourAt })
  const end = () => go(undefined)
  const navigate = useNavigate()
  const { pathname } = useLocation()
  const { value: data } = useResource<JobPage>('/api/jobs?limit=1&state=open')
  const jobId = data?.jobs[0]?.id
  const stops = stopsFor(jobId)
  const stop = stops[Math.min(at, stops.length - 1)]!
  const last = at >= stops.length - 1
  const tried = useTried(stop)
  // A tour that is gone on with shows what it speaks of.
  useEffect(() => {
    if (data) void navigate(stop.to(jobId ?? ''))
    // Only when another stop is reached: in between one may look round.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [at, data !== undefined])
  return (
    <Box
      role="region"
      aria-label="Tour"
      position="sticky"
      bottom="0"
      zIndex={20}
      bg="accentWash"
      borderTop="2px solid"
      borderColor="accent"
      px={{ base: '12px', md: '18px' }}
      py="10px"
      _print={{ display: 'none' }}
    >
      <Flex gap="14px" align={{ base: 'stretch', md: 'center' }} direction={{ base: 'column', md: 'row' }}>
        <Box flex="1">
          <Text fontWeight={600}>
            {Math.min(at, stops.length - 1) + 1} of {stops.length}: {stop.title}
          </Text>
          <Text fontSize="15px" maxW="90ch">
            {stop.say}
          </Text>
          <Flex role="status" align="center" gap="6px" fontSize="15px" fontWeight={600} color="accent">
            {tried && <Check size={18} aria-hidden />}
            {tried ? 'Tried' : 'Try it'}: {stop.task.say}
          </Flex>
        </Box>
        <Flex gap="6px" align="center">
          {pathname !== stop.to(jobId ?? '') && (
            <Button variant="outline" onClick={() => void navigate(stop.to(jobId ?? ''))}>
              Show me
            </Button>
          )}
          {at > 0 && (
            <Button variant="plain" onClick={() => go(at - 1)}>
              Back
            </Button>
          )}
          <Button variant={tried ? 'solid' : 'outline'} onClick={() => (last ? end() : go(at + 1))}>
            {last ? 'Done' : 'Next'}
          </Button>
          {!last && (
            <Button variant="plain" px="0" minW="44px" onClick={end} aria-label="End the tour">
              <X size={20} />
            </Button>
          )}
        </Flex>
      </Flex>
    </Box>
  )
}

/** Was it tried since the stop was reached? */
function useTried({ title, task: { on, within } }: Stop): boolean {
  const [tried, setTried] = useState<string>()
  useEffect(() => {
    const see = ({ target }: Event) => {
      if (target instanceof Element && target.closest(within)) setTried(title)
    }
    document.addEventListener(on, see, true)
    return () => document.removeEventListener(on, see, true)
  }, [on, within, title])
  return tried === title
}
