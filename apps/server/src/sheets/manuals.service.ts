import { createReadStream, existsSync } from 'node:fs'
import { mkdir, open, rename, rm } from 'node:fs/promises'
import { createHash } from 'node:crypto'
import { dirname, join } from 'node:path'
import { pipeline } from 'node:stream/promises'
import type { Readable } from 'node:stream'
import { Inject, Injectable } from '@nestjs/common'
import { manualPath } from '@plumb-mark/archive'
import { Refused, notFound } from '../http/refused.js'
import { SETTINGS, type Settings } from '../settings.js'

/** Makers’ manuals: whole files beside the database under their digest. Nothing in them is run or opened here. */
@Injectable()
export class ManualsService {
  constructor(@Inject(SETTINGS) private readonly settings: Settings) {}

  /** Where what arrives lies until it is known to be what it says. */
  async coming(): Promise<string> {
    const folder = join(this.settings.dataDir, 'manuals', 'coming')
    await mkdir(folder, { recursive: true, mode: 0o700 })
    return folder
  }

  /** Takes a file that has arrived, when its bytes have the digest that was named and begin as a PDF. Sent twice it is kept once. */
  async keep(digest: string, arrived: string): Promise<void> {
    try {
      const path = this.path(digest)
      if (existsSync(path)) return
      if ((await digestOf(arrived)) !== digest)
        throw new Refused(
          400,
          'digest-differs',
          'the file is another one than was named, or was cut on its way',
          'manual',
        )
      if (!(await beginsAsPdf(arrived)))
        throw new Refused(400, 'not-a-pdf', 'this is not a PDF file', 'manual')
      await mkdir(dirname(path), { recursive: true, mode: 0o700 })
      const file = await open(arrived, 'r+')
      await file.sync()
      await file.close()
      await rename(arrived, path)
    } finally {
      await rm(arrived, { force: true })
    }
  }

  open(digest: string): Readable {
    const path = this.path(digest)
    if (!existsSync(path)) throw notFound('manual')
    return createReadStream(path)
  }

  private path(digest: string): string {
    return manualPath(this.settings.dataDir, digest)
  }
}

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
