/** A name that every file system takes. */
export const fileName = (words: string): string =>
  words
    .trim()
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-|-$/g, '')

/** What the files of a job are called. */
export const nameOf = ({ number, title }: { number: string; title: string }): string =>
  `plumb-mark ${number} ${title}`
