import { open, readFile } from 'node:fs/promises'
import { sha256 } from '@plumb-mark/archive'
import { tellsNoMore } from '@plumb-mark/core'
import { picture, type NoPhoto, type Picture } from './picture.js'

export interface PictureAsked {
  file: string
  /** Whether the job asks for the place where photos were taken. */
  tellsPlace: boolean
}
export interface PictureSeen extends Picture {
  digest: string
  bytes: number
  /** It carries nothing but what is needed. */
  bare: boolean
}

/** Looks at a photo that has arrived, in a thread of its own; afterwards its bytes are on the disk for good. */
export default async function look({ file, tellsPlace }: PictureAsked): Promise<PictureSeen | NoPhoto> {
  const content = await readFile(file)
  const seen = await picture(content)
  if (typeof seen === 'string') return seen
  const handle = await open(file, 'r+')
  await handle.sync()
  await handle.close()
  return {
    ...seen,
    digest: sha256(content),
    bytes: content.length,
    bare: tellsNoMore(content, { tellsPlace }),
  }
}
