import { chakra } from '@chakra-ui/react'

/** Things in an order that counts, each with its number. */
export const Numbered = chakra('ol', { base: { listStyleType: 'decimal', pl: '24px' } })

/** One of several things that stand under one another, with a rule beneath it. */
export const Item = chakra('li', { base: { py: '8px', borderBottom: '1px solid', borderColor: 'hair' } })
