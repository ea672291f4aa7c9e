import { Box } from '@chakra-ui/react'
import { useState } from 'react'
import type { useListAddress } from '../lists/list-address.js'
import { Choose } from '../ui/choose.js'
import { Patterns } from './patterns.js'
import { Recurring } from './recurring.js'

const QUESTIONS = [
  ['jobs', 'In how many jobs'],
  ['chance', 'More than by chance'],
] as const

/** What comes back, asked in two ways: how often it was found, and whether that is more than chance. */
export function ComesBack({ address }: { address: ReturnType<typeof useListAddress> }) {
  const [asked, setAsked] = useState<(typeof QUESTIONS)[number][0]>('jobs')
  return (
    <Box mt="22px">
      <Choose label="What comes back" options={QUESTIONS} value={asked} onChoose={setAsked} />
      {asked === 'jobs' ? <Recurring address={address} /> : <Patterns />}
    </Box>
  )
}
