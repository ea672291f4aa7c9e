import { chakra } from '@chakra-ui/react'

/** A box to tick, with its words, large enough for a glove. */
export function Tick({
  label,
  checked,
  disabled = false,
  onChange,
}: {
  label: string
  checked: boolean
  disabled?: boolean
  onChange: (checked: boolean) => void
}) {
  return (
    <chakra.label display="flex" alignItems="center" gap="10px" minH="44px">
      <chakra.input
        type="checkbox"
        checked={checked}
        disabled={disabled}
        onChange={(event) => onChange(event.target.checked)}
        w="22px"
        h="22px"
        flexShrink={0}
      />
      {label}
    </chakra.label>
  )
}
