import { HStack, Input } from '@chakra-ui/react'
import { useMemo } from 'react'
import { parseQuantity, type Condition } from '@plumb-mark/core'
import { Field } from '../ui/field.js'
import { useDecimal } from '../data/preferences.js'
import { useInputDefaults } from '../data/input-defaults.js'

const CONDITION_FIELDS = {
  cellTemperature: { label: 'Cell temperature', dimension: 'temperature', placeholder: '31 °C' },
  irradiance: { label: 'Irradiance', dimension: 'irradiance', placeholder: '640 W/m²' },
  testVoltage: { label: 'Test voltage', dimension: 'voltage', placeholder: '1000 V' },
} as const satisfies Record<Condition, object>

export interface ConditionsNoted {
  values: Partial<Record<Condition, number>>
  problems: Partial<Record<Condition, string>>
}

/** Temperature and light as last noted, in canonical units, and what is wrong with them. */
export function useConditions(wanted: readonly Condition[]): ConditionsNoted {
  const typed = useInputDefaults((habits) => habits.conditions)
  const decimal = useDecimal()
  return useMemo(() => {
    const noted: ConditionsNoted = { values: {}, problems: {} }
    for (const condition of wanted) {
      const text = typed[condition]?.trim()
      if (!text) continue
      const parsed = parseQuantity(text, CONDITION_FIELDS[condition].dimension, { decimal })
      if (parsed.ok) noted.values[condition] = parsed.quantity.value
      else noted.problems[condition] = parsed.problem.message
    }
    return noted
  }, [wanted, typed, decimal])
}

/** What is noted beside readings, and holds until it is noted anew. */
export function ConditionFields({
  wanted,
  problems,
}: {
  wanted: readonly Condition[]
  problems: ConditionsNoted['problems']
}) {
  const habits = useInputDefaults()
  if (wanted.length === 0) return null
  return (
    <HStack gap="10px" align="flex-start">
      {wanted.map((condition) => (
        <Field key={condition} label={CONDITION_FIELDS[condition].label} problem={problems[condition]}>
          {(ids) => (
            <Input
              {...ids}
              value={habits.conditions[condition] ?? ''}
              placeholder={CONDITION_FIELDS[condition].placeholder}
              onChange={(event) => habits.note(condition, event.target.value)}
            />
          )}
        </Field>
      ))}
    </HStack>
  )
}
