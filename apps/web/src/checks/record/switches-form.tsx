import { chakra } from '@chakra-ui/react'
import { SmallPrint } from '../../ui/theme/text.js'
import { Bank, Lever } from '../../ui/lever.js'
import type { FormProps } from './form-props.js'
import { Cluster } from '../../ui/cluster.js'

/** The little switches as found, above as they must be. */
export function SwitchesForm({ form: { switches }, answer, onChange }: FormProps<'switches'>) {
  const found = answer?.positions ?? {}
  const turn = (id: string) => onChange({ positions: { ...found, [id]: found[id] === 'on' ? 'off' : 'on' } })
  return (
    <Cluster gap="28px" alignItems="flex-start">
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
    </Cluster>
  )
}
