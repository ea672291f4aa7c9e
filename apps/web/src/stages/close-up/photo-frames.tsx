import { AspectRatio, Box, Center, Grid, Text } from '@chakra-ui/react'
import { useEffect, useRef } from 'react'
import type { AnswerOf, JudgedCheck } from '@plumb-mark/core'
import { PhotoPicker, Photos } from '../../checks/photo-picker.js'
import { useAnswerOf } from '../answer-of.js'
import { UnitHeading } from '../unit-heading.js'
import { useAnswering } from '../use-answering.js'
import { Strong } from '../../ui/theme/text.js'

/** One frame for each photo that is asked for, empty until it is taken on the spot. */
export function PhotoFrames({ judged }: { judged: JudgedCheck }) {
  const answer = useAnswerOf(judged) as AnswerOf<'photos'> | undefined
  const keep = useAnswering()
  const { ask, unit, title } = judged.check
  // Sending takes a while, and another frame may be filled meanwhile.
  const latest = useRef(answer)
  useEffect(() => void (latest.current = answer), [answer])
  if (ask.kind !== 'record' || ask.form !== 'photos') return null
  const taken = answer?.taken ?? {}
  return (
    <Box as="section" aria-label={`${title}, ${unit.label}`}>
      <UnitHeading judged={judged} />
      <Grid templateColumns="repeat(auto-fill, minmax(170px, 1fr))" gap="14px">
        {ask.wanted.map(({ id, label }) => {
          const photo = taken[id]
          return (
            <Box key={id} role="group" aria-label={label}>
              <AspectRatio
                ratio={4 / 3}
                bg="panel"
                border="2px"
                borderStyle={photo ? 'solid' : 'dashed'}
                borderColor={photo ? 'accent' : 'faint'}
                borderRadius="4px"
              >
                <Center overflow="hidden">
                  {photo ? (
                    <Photos photos={[photo]} size="160px" />
                  ) : (
                    <Text color="faint" fontSize="15px">
                      not taken yet
                    </Text>
                  )}
                </Center>
              </AspectRatio>
              <Strong my="6px">{label}</Strong>
              {keep && (
                <PhotoPicker
                  photos={[]}
                  caption={label}
                  onChange={(photos) => {
                    const last = photos.at(-1)
                    if (last) keep(judged, { taken: { ...latest.current?.taken, [id]: last } })
                  }}
                />
              )}
            </Box>
          )
        })}
      </Grid>
    </Box>
  )
}
