import { Box, Text } from '@chakra-ui/react'
import { useEffect, useRef } from 'react'
import { PhotoPicker } from '../photo-picker.js'
import type { FormProps } from './form-props.js'
import { Cluster } from '../../ui/cluster.js'

/** The photos that are asked for, one place each. */
export function PhotosForm({ form: { wanted }, answer, onChange }: FormProps<'photos'>) {
  const taken = answer?.taken ?? {}
  // Another place may be photographed while this one is still being read.
  const latest = useRef(taken)
  useEffect(() => void (latest.current = answer?.taken ?? {}), [answer])
  return (
    <Box>
      {wanted.map(({ id, label }) => (
        <Cluster layerStyle="ruleBelow" key={id} py="6px">
          <Text flex="1" minW="160px">
            {label}
            <Text as="span" color={taken[id] ? 'accent' : 'faint'} fontSize="13px">
              {taken[id] ? ' – taken' : ' – not taken yet'}
            </Text>
          </Text>
          <PhotoPicker
            photos={taken[id] ? [taken[id]] : []}
            caption={label}
            onChange={(photos) => {
              const last = photos.at(-1)
              if (!last) return
              latest.current = { ...latest.current, [id]: last }
              onChange({ taken: latest.current })
            }}
          />
        </Cluster>
      ))}
    </Box>
  )
}
