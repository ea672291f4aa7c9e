import { oneOf, optional } from './shape.js'

/** Where what nobody saw on site came from. */
export const PROPOSALS = ['copy', 'template', 'default'] as const
export type Proposal = (typeof PROPOSALS)[number]

/** On everything that is built: set while it only stands to reason, gone once a person confirmed it on site. */
export const proposedField = optional(oneOf(PROPOSALS, 'not seen on site yet, and where it was taken from'))

/** What a copy is written with, until a person has seen it on site. */
export const COPIED = { proposed: 'copy' } as const
