import { chakra } from '@chakra-ui/react'
import { shape } from './drawings/shape.js'

/** Little switches beside each other. */
export const Bank = chakra('div', {
  base: { bg: 'sunk', borderRadius: '4px', p: '10px', display: 'inline-flex', gap: '6px' },
})

/** One little switch, up or down; dashed while nobody looked. */
export function Lever({
  label,
  position,
  wrong,
}: {
  label: string
  position: 'on' | 'off' | undefined
  wrong: boolean
}) {
  const colour = wrong ? 'danger' : position === undefined ? 'faint' : 'accent'
  return (
    <chakra.svg viewBox="0 0 40 84" w="40px" h="84px" aria-hidden>
      <shape.rect
        x="9"
        y="14"
        width="22"
        height="50"
        rx="3"
        fill="paper"
        stroke={colour}
        strokeWidth="2px"
        strokeDasharray={position ? undefined : '3 3'}
      />
      {position && (
        <shape.rect x="12" y={position === 'on' ? 17 : 40} width="16" height="21" rx="2" fill={colour} />
      )}
      <shape.text x="20" y="10" fontSize="9px" textAnchor="middle" fill="faint">
        ON
      </shape.text>
      <shape.text x="20" y="79" fontSize="13px" fontWeight={600} textAnchor="middle" fill="text">
        {label}
      </shape.text>
    </chakra.svg>
  )
}
