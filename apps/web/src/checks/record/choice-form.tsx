import { Box, Stack, Text, chakra } from '@chakra-ui/react'
import { Lead, SmallPrint } from '../../ui/theme/text.js'
import type { FormProps } from './form-props.js'

const Option = chakra('button', {
  base: {
    textAlign: 'left',
    minH: '52px',
    px: '14px',
    py: '8px',
    bg: 'paper',
    border: '2px solid',
    borderColor: 'hair',
    borderRadius: '4px',
    cursor: 'pointer',
    _hover: { borderColor: 'accent' },
    '&[aria-pressed=true]': { borderColor: 'accent', bg: 'accentWash' },
  },
})

/** One of several: a touch answers. */
export function ChoiceForm({ form: { question, options }, answer, onChange }: FormProps<'choice'>) {
  return (
    <Box>
      <Lead mb="8px">{question}</Lead>
      <Stack role="group" aria-label={question}>
        {options.map(({ id, label, hint }) => (
          <Option
            key={id}
            type="button"
            aria-pressed={answer?.chosen === id}
            onClick={() => onChange({ chosen: id })}
          >
            <Text fontSize="16px" fontWeight={600}>
              {label}
            </Text>
            {hint && <SmallPrint>{hint}</SmallPrint>}
          </Option>
        ))}
      </Stack>
    </Box>
  )
}
