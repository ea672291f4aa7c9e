import { Button } from '@chakra-ui/react'
import { prefer } from '../data/preferences.js'

/** The ten minutes, from wherever somebody is new: called the same everywhere. */
export const BeginTour = () => (
  <Button variant="outline" alignSelf="start" onClick={() => prefer({ tourAt: 0 })}>
    Ten minutes through your first job
  </Button>
)
