import { Flex, Input } from '@chakra-ui/react'
import { useEffect, useState, type SelectHTMLAttributes } from 'react'
import { Select } from './select.js'

const ANOTHER = '\u0000another'

/**
 * A value as it was found: those that are expected are offered first, and any other can be typed. What stands in a unit is a fact, whether
 * anybody permits it or not.
 */
export function AsFound({
  value,
  options,
  onChange,
  name,
  whenLeft = false,
  ...ids
}: {
  value: string
  options: readonly string[]
  onChange: (value: string) => void
  /** For a reader of the screen, where no label stands beside it. */
  name?: string
  /** Told when the field is left or Enter is pressed, and not at every key: where each value is kept at once. */
  whenLeft?: boolean
} & Pick<SelectHTMLAttributes<HTMLSelectElement>, 'id' | 'disabled'>) {
  const [typing, setTyping] = useState(false)
  const own = typing || (value !== '' && !options.includes(value))
  const [text, setText] = useState(value)
  useEffect(() => setText(value), [value])
  const leave = () => whenLeft && text.trim() !== value && onChange(text.trim())
  return (
    <Flex direction="column" gap="4px">
      <Select
        {...ids}
        aria-label={name}
        value={own ? ANOTHER : value}
        onChange={({ target }) => {
          const another = target.value === ANOTHER
          setTyping(another)
          if (!another) onChange(target.value)
          else if (!whenLeft) onChange('')
        }}
      >
        <option value="">–</option>
        {options.map((option) => (
          <option key={option}>{option}</option>
        ))}
        <option value={ANOTHER}>another, as found …</option>
      </Select>
      {own && (
        <Input
          value={text}
          disabled={ids.disabled}
          aria-label={name ? `${name}, as found` : 'As found'}
          placeholder="as it stands there"
          onChange={({ target }) => {
            setText(target.value)
            if (!whenLeft) onChange(target.value)
          }}
          onBlur={leave}
          onKeyDown={(event) => event.key === 'Enter' && leave()}
          fontFamily="mono"
          autoComplete="off"
          autoFocus={typing}
        />
      )}
    </Flex>
  )
}
