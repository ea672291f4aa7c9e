import { Box } from '@chakra-ui/react'
import { Link, useParams } from 'react-router'
import { ByKind } from '../by-kind.js'
import { Outline } from './outline.js'
import { Cover } from './cover.js'
import { PhotoFrames } from './photo-frames.js'
import { HandButton } from '../../ui/buttons.js'

const PARTS = { 'tightening-order': Cover, 'photo-list': PhotoFrames }

/** Covers with their bolts, touched as they are tightened; the photos that are asked for, as frames to be filled. */
export function CloseUp() {
  const { jobId } = useParams()
  return (
    <>
      <ByKind stage="close-up" parts={PARTS} outline={Outline} />
      <Box px={{ base: '12px', lg: '24px' }} pb="24px">
        <HandButton asChild variant="outline">
          <Link to={`/jobs/${jobId}/hand-over`}>Hand over to the customer</Link>
        </HandButton>
      </Box>
    </>
  )
}
