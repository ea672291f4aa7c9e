import { createReadStream, existsSync } from 'node:fs'
import { mkdir, open, readFile, rename, rm } from 'node:fs/promises'
import { createHash } from 'node:crypto'
import { dirname, join } from 'node:path'
import { pipeline } from 'node:stream/promises'
import type { Readable } from 'node:stream'
import { Inject, Injectable } from '@nestjs/common'
import { clippingsPath, manualPath } from '@plumb-mark/archive'
import { readClippings, type Clippings } from '@plumb-mark/core'
import { Refused, notFound } from '../http/refused.js'
import { SETTINGS, type Settings } from '../settings.js'

/** Makers’ manuals and their cut-outs: files beside the database under their digest. Nothing in a manual is run or opened here. */
@Injectable()
export class ManualsService {
  constructor(@Inject(SETTINGS) private readonly settings: Settings) {}

  /** Where what arrives lies until it is known to be what it says. */
  async coming(): Promise<string> {
    const folder = join(this.settings.dataDir, 'manuals', 'coming')
    await mkdir(folder, { recursive: true, mode: 0o700 })
    return folder
  }

  /** Takes a file that has arrived, when its bytes have the digest that was named and are what they are sent as. Sent twice it is kept once. */
  async keep(kind: ManualFile, digest: string, arrived: string): Promise<void> {
    try {
      const path = this.path(kind, digest)
      if (existsSync(path)) return
      if ((await digestOf(arrived)) !== digest)
        throw new Refused(
          400,
          'digest-differs',
          'the file is another one than was named, or was cut on its way',
          kind,
        )
      await FILES[kind].check(arrived)
      await mkdir(dirname(path), { recursive: true, mode: 0o700 })
      const file = await open(arrived, 'r+')
      await file.sync()
      await file.close()
      await rename(arrived, path)
    } finally {
      await rm(arrived, { force: true })
    }
  }

  open(kind: ManualFile, digest: string): Readable {
    const path = this.path(kind, digest)
    if (!existsSync(path)) throw notFound(FILES[kind].word)
    return createReadStream(path)
  }

  /** The cut-outs that are kept under a digest; undefined where none are. */
  async clippings(digest: string): Promise<Clippings | undefined> {
    const text = await readFile(this.path('clippings', digest), 'utf8').catch(() => undefined)
    return text === undefined ? undefined : readClippings(text)
  }

  path(kind: ManualFile, digest: string): string {
    return FILES[kind].path(this.settings.dataDir, digest)
  }
}

/** What is kept of a manual: the file as it came, and the small pictures of the places that sheets name. */
const FILES = {
  manual: {
    word: 'manual',
    path: manualPath,
    async check(arrived: string): Promise<void> {
      if (!(await beginsAsPdf(arrived)))
        throw new Refused(400, 'not-a-pdf', 'this is not a PDF file', 'manual')
    },
  },
  clippings: {
    word: 'file of cut-outs',
    path: clippingsPath,
    async check(arrived: string): Promise<void> {
      readClippings(await readFile(arrived, 'utf8'))
    },
  },
} as const
export type ManualFile = keyof typeof FILES

async function digestOf(file: string): Promise<string> {
  const hash = createHash('sha256')
  await pipeline(createReadStream(file), hash)
  return hash.digest('hex')
}

async function beginsAsPdf(path: string): Promise<boolean> {
  const file = await open(path, 'r')
  try {
    const { buffer, bytesRead } = await file.read(Buffer.alloc(1024), 0, 1024, 0)
    return buffer.subarray(0, bytesRead).includes('%PDF-')
  } finally {
    await file.close()
  }
}
