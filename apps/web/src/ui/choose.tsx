import { chakra } from '@chakra-ui/react'
import type { Option } from './choice-field.js'
import { Cluster } from './cluster.js'

const Chip = chakra('button', {
  base: {
    minH: '44px',
    px: '14px',
    borderRadius: '4px',
    border: '1px solid',
    borderColor: 'faint',
    bg: 'panel',
    fontWeight: 600,
    cursor: 'pointer',
    '&[aria-pressed=true]': { borderColor: 'accent', bg: 'accentWash', color: 'accent' },
  },
})

/** A few that are looked at one at a time, side by side under the thumb. */
export function Choose<T extends string>({
  label,
  options,
  value,
  onChoose,
}: {
  label: string
  options: readonly (readonly [T, string])[] | readonly Option<T>[]
  value: T
  onChoose: (value: T) => void
}) {
  return (
    <Cluster role="group" aria-label={label}>
      {options.map(([one, words]) => (
        <Chip key={one} type="button" aria-pressed={one === value} onClick={() => onChoose(one)}>
          {words}
        </Chip>
      ))}
    </Cluster>
  )
}
