import type { JobState } from '@plumb-mark/core'

/** A name that every file system takes. */
export const fileName = (words: string): string =>
  words
    .trim()
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-|-$/g, '')

/** What the files of a job are called. */
export const nameOf = ({ header }: JobState): string =>
  `plumb-mark ${header?.number ?? ''} ${header?.title ?? ''}`
