import { chakra } from '@chakra-ui/react'

/** Every size and weight that words have: a view names what they are, and this says how that looks. */

const heading = { fontFamily: 'heading', fontWeight: 600 } as const

/** The name of a view. */
export const ViewTitle = chakra('h1', { base: { ...heading, fontSize: '36px', lineHeight: 1.1 } })

/** The largest words within a view. */
export const PartTitle = chakra('h2', { base: { ...heading, fontSize: '32px', lineHeight: 1.1 } })

export const SectionTitle = chakra('h2', { base: { ...heading, fontSize: '24px' } })

export const SubTitle = chakra('h2', { base: { ...heading, fontSize: '22px' } })

/** Heads a part in the letter of the text. */
export const PartHeading = chakra('h3', { base: { fontWeight: 600, fontSize: '18px' } })

/** What a paragraph is about, before the paragraph. */
export const Strong = chakra('p', { base: { fontWeight: 600 } })

/** What is read first. */
export const Lead = chakra('p', { base: { fontSize: '18px', lineHeight: 1.4 } })

export const Small = chakra('p', { base: { fontSize: '15px' } })

/** What stands beside the thing itself: a hint, a source, a count. */
export const Note = chakra('p', { base: { fontSize: '14px', color: 'faint' } })

/** The same, where many stand close together. */
export const SmallPrint = chakra('p', { base: { fontSize: '13px', color: 'faint' } })

export const Faint = chakra('p', { base: { color: 'faint' } })

export const Danger = chakra('p', { base: { color: 'danger' } })

export const Unproven = chakra('p', { base: { color: 'unproven' } })

/** Figures and what a machine says: each digit as wide as the next. */
export const Mono = chakra('p', { base: { fontFamily: 'mono' } })

export const SmallMono = chakra('p', { base: { fontFamily: 'mono', fontSize: '14px' } })

export const SmallDanger = chakra('p', { base: { color: 'danger', fontSize: '14px' } })

export const SmallUnproven = chakra('p', { base: { color: 'unproven', fontSize: '14px' } })
