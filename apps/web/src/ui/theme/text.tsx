import { chakra } from '@chakra-ui/react'

/** What stands beside the thing itself: a hint, a source, a count. */
export const Note = chakra('p', { base: { fontSize: '14px', color: 'faint' } })

/** The same, where many stand close together. */
export const SmallPrint = chakra('p', { base: { fontSize: '13px', color: 'faint' } })
