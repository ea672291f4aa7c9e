import { Box, Button, Flex, Text, chakra } from '@chakra-ui/react'
import { useState } from 'react'
import { stepsAt } from '@plumb-mark/core'
import { useSeconds } from '../../ui/use-seconds.js'
import { DespiteStop, type Allowed } from './despite-stop.js'
import type { FormProps } from './form-props.js'
import { SmallMono } from '../../ui/theme/text.js'

/** The maker's steps in their order: each is stamped when it is done; a wait counts down before the next. */
export function StepsForm({ form: { steps }, answer, held = [], onChange }: FormProps<'steps'>) {
  const done = answer?.done ?? []
  const [asking, setAsking] = useState<string>()
  const take = (id: string, allowed?: Allowed) => {
    if (held.length > 0 && !allowed) return setAsking(id)
    setAsking(undefined)
    onChange({ done: [...done, { id, at: new Date().toISOString(), ...(allowed && { allowed }) }] })
  }
  const now = useSeconds(done.length > 0 && done.length < steps.length)
  return (
    <ol>
      {stepsAt(steps, done, now).map(({ id, label, after, waitSeconds, at: stamped, lacks, left }, i) => {
        const early = lacks.length > 0 || left > 0
        return (
          <chakra.li
            key={id}
            display="flex"
            gap="12px"
            py="8px"
            borderTop={i > 0 ? '1px solid' : undefined}
            borderColor="hair"
          >
            <Text fontFamily="mono" color="faint" w="24px" pt="10px">
              {i + 1}
            </Text>
            <Box flex="1" pt="8px">
              <Text lineHeight={1.3}>{label}</Text>
              {asking === id && (
                <DespiteStop
                  step={label}
                  held={held}
                  onAllowed={(allowed) => take(id, allowed)}
                  onCancel={() => setAsking(undefined)}
                />
              )}
              <Text fontSize="13px" color={left > 0 ? 'unproven' : 'faint'}>
                {[
                  after.length > 0
                    ? `after ${after.map((other) => steps.find((step) => step.id === other)?.label).join(' and ')}`
                    : '',
                  waitSeconds ? `wait ${waitSeconds} s` : '',
                  left > 0 ? `${Math.ceil(left)} s to go` : '',
                ]
                  .filter(Boolean)
                  .join(', ')}
              </Text>
            </Box>
            <Flex align="center" gap="6px">
              {stamped ? (
                <>
                  <SmallMono>{new Date(stamped).toLocaleTimeString([], { hour12: false })}</SmallMono>
                  <Button
                    variant="plain"
                    onClick={() => onChange({ done: done.filter((one) => one.id !== id) })}
                  >
                    Take back
                  </Button>
                </>
              ) : (
                <Button variant={early ? 'outline' : 'solid'} onClick={() => take(id)}>
                  Done now
                </Button>
              )}
            </Flex>
          </chakra.li>
        )
      })}
    </ol>
  )
}
