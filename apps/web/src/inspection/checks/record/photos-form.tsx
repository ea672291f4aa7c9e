import { Box, HStack, Text } from '@chakra-ui/react'
import { useState } from 'react'
import type { PhotoRef } from '@plumb-mark/core'
import { PhotoPicker } from '../photo-picker.js'
import type { FormProps } from './form-props.js'

/** The photos that are asked for, one place each. */
export function PhotosForm({ form: { wanted }, answer, onChange }: FormProps<'photos'>) {
  const [taken, setTaken] = useState<Record<string, PhotoRef[]>>({})
  const ids = answer?.taken ?? {}
  return (
    <Box>
      {wanted.map(({ id, label }) => (
        <HStack key={id} py="6px" gap="12px" borderBottom="1px solid" borderColor="hair" wrap="wrap">
          <Text flex="1" minW="160px">
            {label}
            <Text as="span" color={ids[id] ? 'chalk' : 'faint'} fontSize="13px">
              {ids[id] ? ' – taken' : ' – not taken yet'}
            </Text>
          </Text>
          <PhotoPicker
            photos={taken[id] ?? []}
            caption={label}
            onChange={(photos) => {
              setTaken({ ...taken, [id]: photos })
              const last = photos.at(-1)
              if (last) onChange({ taken: { ...ids, [id]: last.id } })
            }}
          />
        </HStack>
      ))}
    </Box>
  )
}
