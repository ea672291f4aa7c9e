import { Box, Button, Flex } from '@chakra-ui/react'
import { Check, X } from 'lucide-react'
import { useEffect, useState } from 'react'
import { useQuery } from '@tanstack/react-query'
import { useLocation, useNavigate } from 'react-router'
import { prefer, usePreferences } from '../../data/preferences.js'
import { useInspection } from '../../job/inspection.js'
import { practiseAs } from '../../job/practice-role.js'
import { firstJobHere, isPracticeJob } from '../../offline/practice-job.js'
import { stopsOf, type Stop } from './steps.js'
import { Small, Strong } from '../../ui/theme/text.js'
import { IconButton } from '../../ui/buttons.js'

/** Beneath every screen while somebody is on the tour: where one stands, what there is to see, and the way on. */
export function TourBar() {
  const at = usePreferences(({ tourAt }) => tourAt)
  return at === undefined ? null : <Bar at={at} />
}

function Bar({ at }: { at: number }) {
  const { data: stops } = useQuery({ queryKey: ['tour'], queryFn: async () => stopsOf(await firstJobHere()) })
  return stops ? <At at={Math.min(at, stops.length - 1)} stops={stops} /> : null
}

function At({ at, stops }: { at: number; stops: readonly Stop[] }) {
  const go = (tourAt: number | undefined) => prefer({ tourAt })
  const end = () => go(undefined)
  const navigate = useNavigate()
  const { pathname, search } = useLocation()
  const stop = stops[at]!
  const last = at === stops.length - 1
  const tried = useTried(stop)
  // A tour that is gone on with shows what it speaks of, as whoever looks at it there.
  const show = () => {
    if (stop.as) practiseAs(stop.as)
    void navigate(stop.to)
  }
  // Only when another stop is reached: in between one may look round.
  // eslint-disable-next-line react-hooks/exhaustive-deps
  useEffect(show, [at])
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
          <Strong>
            {at + 1} of {stops.length}: {stop.title}
          </Strong>
          <Small maxW="90ch">{stop.say}</Small>
          <Flex role="status" align="center" gap="6px" fontSize="15px" fontWeight={600} color="accent">
            {tried && <Check size={18} aria-hidden />}
            {tried ? 'Tried' : 'Try it'}: {stop.task.say}
          </Flex>
        </Box>
        <Flex gap="6px" align="center">
          {pathname + search !== stop.to && (
            <Button variant="outline" onClick={show}>
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
            <IconButton onClick={end} aria-label="End the tour">
              <X size={20} />
            </IconButton>
          )}
        </Flex>
      </Flex>
    </Box>
  )
}

/** Was it tried since the stop was reached, or does it stand in the job already? */
function useTried({ title, task }: Stop): boolean {
  const [tried, setTried] = useState<string>()
  const inJob = useInspection(({ jobId, committed }) =>
    'when' in task && isPracticeJob(jobId) && committed ? task.when(committed) : false,
  )
  useEffect(() => {
    if ('when' in task) return
    const { on, within } = task
    const see = ({ target }: Event) => {
      if (target instanceof Element && target.closest(within)) setTried(title)
    }
    document.addEventListener(on, see, true)
    return () => document.removeEventListener(on, see, true)
  }, [task, title])
  return inJob || tried === title
}
