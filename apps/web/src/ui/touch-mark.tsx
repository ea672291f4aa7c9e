import type { SVGProps } from 'react'

interface Props extends SVGProps<SVGGElement> {
  label: string
  onTouch: () => void
  chosen?: boolean
}

/** A part of a drawing that can be touched, or reached with Tab and opened with Enter or Space. */
export function TouchMark({ label, onTouch, chosen, children, ...rest }: Props) {
  return (
    <g
      role="button"
      tabIndex={0}
      cursor="pointer"
      aria-label={label}
      aria-pressed={chosen}
      onClick={onTouch}
      onKeyDown={(event: React.KeyboardEvent) => {
        if (event.key !== 'Enter' && event.key !== ' ') return
        event.preventDefault()
        onTouch()
      }}
      {...rest}
    >
      {children}
    </g>
  )
}
