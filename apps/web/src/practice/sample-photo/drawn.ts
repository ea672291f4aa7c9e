import type { ReactNode } from 'react'

/** What a camera would have seen at a place: drawn from what is there. */
export type SamplePhotoOf = (there: { right: boolean; chosen?: string | undefined }) => ReactNode
