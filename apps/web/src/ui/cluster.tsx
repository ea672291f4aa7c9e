import { chakra } from '@chakra-ui/react'

/** Things beside each other that go on in the next line where there is no room: buttons, fields, a name and what belongs to it. */
export const Cluster = chakra('div', {
  base: { display: 'flex', flexWrap: 'wrap', alignItems: 'center', gap: '10px' },
})
