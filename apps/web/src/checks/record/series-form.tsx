import { Box, Flex, Input, chakra } from '@chakra-ui/react'
import { Undo2 } from 'lucide-react'
import { useState } from 'react'
import { habitsFor, parseQuantity } from '@plumb-mark/core'
import { Field } from '../../ui/field.js'
import { useDecimal } from '../../data/preferences.js'
import type { FormProps } from './form-props.js'
import { SmallPrint } from '../../ui/theme/text.js'
import { Cluster } from '../../ui/cluster.js'
import { HandButton } from '../../ui/buttons.js'

/** One figure after the other, as one goes along: Enter takes it and asks for the next. */
export function SeriesForm({
  form: { dimension, unit, signed, labels },
  answer,
  onChange,
}: FormProps<'series'>) {
  const decimal = useDecimal()
  const [typed, setTyped] = useState('')
  const values = answer?.values ?? []
  const full = values.length >= labels.length
  const parsed =
    typed.trim() === ''
      ? undefined
      : parseQuantity(typed, dimension, { ...habitsFor({ dimension, unit, signed }), decimal })
  const usable = parsed?.ok && parsed.quantity.relation === '='
  const take = (event: React.KeyboardEvent) => {
    if (event.key !== 'Enter' || !parsed) return
    event.preventDefault()
    add()
  }
  const add = () => {
    if (!usable || full) return
    onChange({ values: [...values, { typed: parsed.quantity.typed, value: parsed.quantity.value }] })
    setTyped('')
  }
  return (
    <Box>
      <Flex gap="8px" align="flex-end">
        <Box flex="1">
          <Field
            label={full ? 'All are read' : `Next: ${labels[values.length]}, ${unit}`}
            problem={
              parsed && !usable
                ? parsed.ok
                  ? 'a figure without < or > is needed'
                  : parsed.problem.message
                : undefined
            }
          >
            {(ids) => (
              <Input
                {...ids}
                value={typed}
                disabled={full}
                onChange={(event) => setTyped(event.target.value)}
                onKeyDown={take}
                autoFocus
                autoComplete="off"
                h="56px"
                fontSize="26px"
                fontFamily="mono"
              />
            )}
          </Field>
        </Box>
        <HandButton variant="outline" onClick={add} disabled={!usable || full}>
          Take
        </HandButton>
        <HandButton
          variant="outline"
          px="14px"
          disabled={values.length === 0}
          onClick={() => onChange(values.length > 1 ? { values: values.slice(0, -1) } : undefined)}
          aria-label="Take the last one back"
        >
          <Undo2 size={20} />
        </HandButton>
      </Flex>
      <Cluster as="ol" gap="6px" mt="10px" listStyleType="none" aria-label="Read so far">
        {values.map((value, i) => (
          <chakra.li
            key={i}
            px="9px"
            py="4px"
            bg="paper"
            border="1px solid"
            borderColor="hair"
            borderRadius="3px"
            fontFamily="mono"
            fontSize="14px"
          >
            <SmallPrint as="span">{i + 1} </SmallPrint>
            {value.typed}
          </chakra.li>
        ))}
      </Cluster>
    </Box>
  )
}
