import { HStack, chakra } from '@chakra-ui/react'
import { SmallPrint } from '../../../look/text.js'
import type { FormProps } from './form-props.js'

const Bank = chakra('div', {
  base: { bg: 'sunk', borderRadius: '4px', p: '10px', display: 'inline-flex', gap: '6px' },
})

/** The little switches as found, above as they must be. */
export function SwitchesForm({ form: { switches }, answer, onChange }: FormProps<'switches'>) {
  const found = answer?.positions ?? {}
  const turn = (id: string) => onChange({ positions: { ...found, [id]: found[id] === 'on' ? 'off' : 'on' } })
  return (
    <HStack gap="28px" wrap="wrap" align="flex-start">
      <div>
        <SmallPrint mb="4px">As found: touch to turn</SmallPrint>
        <Bank>
          {switches.map(({ id, label, hint }) => (
            <chakra.button
              key={id}
              type="button"
              onClick={() => turn(id)}
              minW="44px"
              minH="88px"
              cursor="pointer"
              aria-label={`Switch ${label}, found ${found[id] ?? 'not looked at'}`}
              aria-pressed={found[id] === 'on'}
            >
              <Lever
                label={label}
                position={found[id]}
                wrong={found[id] !== undefined && found[id] !== hint}
              />
            </chakra.button>
          ))}
        </Bank>
      </div>
      <div>
        <SmallPrint mb="4px">As it must be</SmallPrint>
        <Bank aria-hidden>
          {switches.map(({ id, label, hint }) => (
            <Lever key={id} label={label} position={hint as 'on' | 'off'} wrong={false} />
          ))}
        </Bank>
      </div>
    </HStack>
  )
}

function Lever({
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
      <chakra.rect
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
        <chakra.rect x="12" y={position === 'on' ? 17 : 40} width="16" height="21" rx="2" fill={colour} />
      )}
      <chakra.text x="20" y="10" fontSize="9px" textAnchor="middle" fill="faint">
        ON
      </chakra.text>
      <chakra.text x="20" y="79" fontSize="13px" fontWeight={600} textAnchor="middle" fill="text">
        {label}
      </chakra.text>
    </chakra.svg>
  )
}
