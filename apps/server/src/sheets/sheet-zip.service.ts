import { randomUUID } from 'node:crypto'
import { existsSync } from 'node:fs'
import { rm } from 'node:fs/promises'
import { join } from 'node:path'
import type { Readable } from 'node:stream'
import { Injectable } from '@nestjs/common'
import { openSheetZip, writeSheetZip } from '@plumb-mark/archive'
import { readSheetText } from '@plumb-mark/contract'
import type { Person, PinnedSheet } from '@plumb-mark/core'
import { Refused } from '../http/refused.js'
import { ManualsService, type ManualFile } from './manuals.service.js'
import { SheetsService } from './sheets.service.js'

/** A sheet with its manual and cut-outs as one file, out and in. */
@Injectable()
export class SheetZipService {
  constructor(
    private readonly sheets: SheetsService,
    private readonly manuals: ManualsService,
  ) {}

  async export(id: string): Promise<Readable> {
    const { sheet, source } = await this.sheets.one(id)
    const here = (kind: ManualFile, digest: string | undefined) => {
      const path = digest === undefined ? undefined : this.manuals.path(kind, digest)
      return path !== undefined && existsSync(path) ? path : undefined
    }
    return writeSheetZip({
      source,
      manual: here('manual', sheet.manual?.digest),
      clippings: here('clippings', sheet.manual?.clippings),
    })
  }

  /** Takes in a sheet with what it names: the files first, each by the digest that the sheet gives it, so that nothing is half there. */
  async import(by: Person, path: string): Promise<PinnedSheet> {
    const zip = await openSheetZip(path)
    try {
      const text = readSheetText(zip.source)
      if (!text.ok) throw new Refused(400, text.faults[0].code, text.faults[0].message, text.faults[0].path)
      const { manual } = text.sheet
      const folder = await this.manuals.coming()
      for (const [kind, digest] of [
        ['manual', manual?.digest],
        ['clippings', manual?.clippings],
      ] as const) {
        if (digest === undefined) continue
        const arrived = join(folder, randomUUID())
        try {
          if (await zip.unpack(kind, arrived)) await this.manuals.keep(kind, digest, arrived)
        } finally {
          await rm(arrived, { force: true })
        }
      }
      return await this.sheets.add(zip.source, { replace: false, by })
    } finally {
      zip.close()
    }
  }
}
