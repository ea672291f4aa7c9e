import { Grid } from '@chakra-ui/react'
import { useEffect, useState } from 'react'
import type { JobHeader } from '@plumb-mark/core'
import { QuantityInput } from '../ui/quantity-input.js'
import { TextField } from '../ui/text-field.js'
import { ChoiceField, type Option } from '../ui/choice-field.js'

export type Rules = Pick<
  JobHeader,
  | 'school'
  | 'units'
  | 'rule'
  | 'earthMethod'
  | 'copperBonds'
  | 'coldest'
  | 'photosTellPlace'
  | 'timeZone'
  | 'country'
  | 'due'
>

const CHOICES = {
  school: {
    label: 'Rules',
    options: [
      ['iec', 'IEC-style'],
      ['nec', 'NEC-style'],
    ],
  },
  units: {
    label: 'Units shown',
    options: [
      ['metric', 'metric'],
      ['us', 'US customary'],
    ],
  },
  rule: {
    label: 'A doubtful reading',
    options: [
      ['guarded', 'must be clear of the instrument’s uncertainty'],
      ['simple', 'counts as it stands'],
    ],
  },
  earthMethod: {
    label: 'Earth size',
    options: [
      ['table', 'by the table'],
      ['adiabatic', 'by the adiabatic equation'],
    ],
  },
} as const

/** The schools that this job follows, and whether the authority insists on copper bonds. */
export function RulesForm({
  rules,
  disabled = false,
  onChange,
}: {
  rules: Rules
  disabled?: boolean
  onChange: (part: Partial<Rules>) => void
}) {
  return (
    <Grid templateColumns={{ base: '1fr', sm: '1fr 1fr', lg: 'repeat(5, 1fr)' }} gap="10px">
      {(Object.keys(CHOICES) as (keyof typeof CHOICES)[]).map((name) => (
        <ChoiceField
          key={name}
          label={CHOICES[name].label}
          value={rules[name] ?? 'table'}
          options={CHOICES[name].options as readonly Option[]}
          disabled={disabled}
          onChange={(value) => onChange({ [name]: value } as Partial<Rules>)}
        />
      ))}
      <ChoiceField
        label="Bonds"
        value={rules.copperBonds ? 'copper' : 'any'}
        options={[
          ['any', 'by any means on the sheet'],
          ['copper', 'copper: the authority insists'],
        ]}
        disabled={disabled}
        onChange={(value) => onChange({ copperBonds: value === 'copper' })}
      />
      <ChoiceField
        label="Place in photos"
        value={rules.photosTellPlace ? 'kept' : 'removed'}
        options={[
          ['removed', 'removed on this device'],
          ['kept', 'kept as the camera says'],
        ]}
        disabled={disabled}
        onChange={(value) => onChange({ photosTellPlace: value === 'kept' })}
      />
      <ChoiceField
        label="Clocks of the site"
        value={rules.timeZone ?? ''}
        options={[
          ...(rules.timeZone ? [] : [['', 'choose'] as const]),
          ...Intl.supportedValuesOf('timeZone').map((zone) => [zone, zone.replaceAll('_', ' ')] as const),
        ]}
        disabled={disabled}
        onChange={(timeZone) => timeZone && onChange({ timeZone })}
      />
      <TextField
        label="Due"
        type="date"
        value={rules.due ?? ''}
        readOnly={disabled}
        onChange={(due) => due && onChange({ due })}
      />
      <CountryField
        country={rules.country}
        disabled={disabled}
        onChange={(country) => onChange({ country })}
      />
      <QuantityInput
        label="Coldest morning"
        dimension="temperature"
        value={rules.coldest}
        readOnly={disabled}
        onChange={(coldest) => coldest !== undefined && onChange({ coldest })}
      />
    </Grid>
  )
}

/** By its two letters; kept once they are two. */
function CountryField({
  country,
  disabled,
  onChange,
}: {
  country: string | undefined
  disabled: boolean
  onChange: (country: string) => void
}) {
  const [typed, setTyped] = useState(country ?? '')
  useEffect(() => setTyped(country ?? ''), [country])
  const type = (text: string) => {
    const letters = text
      .toUpperCase()
      .replace(/[^A-Z]/g, '')
      .slice(0, 2)
    setTyped(letters)
    if (letters.length === 2) onChange(letters)
  }
  return (
    <TextField
      label="Country, two letters"
      value={typed}
      readOnly={disabled}
      hint="says when it is due again"
      onChange={type}
    />
  )
}
