import { Injectable } from '@nestjs/common'
import { DataSource } from 'typeorm'
import sharp from 'sharp'
import type { ReportLook } from '@plumb-mark/contract'
import { AUDIENCES, USUAL_PARTS, type Audience, type PartId } from '@plumb-mark/report'
import { Refused } from '../http/refused.js'
import { FigureRow } from './figure.entity.js'

const NAME = 'report-look'
/** As large as a letterhead needs it in print. */
const LOGO = { width: 480, height: 240 }

/** How the office wants its reports; until it says so, as is usual. */
@Injectable()
export class ReportLookService {
  constructor(private readonly db: DataSource) {}

  async read(): Promise<ReportLook> {
    const row = await this.db.getRepository(FigureRow).findOneBy({ name: NAME })
    return row ? (JSON.parse(row.value) as ReportLook) : usual()
  }

  async keep(look: ReportLook): Promise<ReportLook> {
    const { logo, ...letterhead } = look.letterhead
    const kept = { ...look, letterhead: { ...letterhead, ...(logo && { logo: await asLogo(logo) }) } }
    await this.db.getRepository(FigureRow).upsert({ name: NAME, value: JSON.stringify(kept) }, ['name'])
    return kept
  }
}

function usual(): ReportLook {
  const parts = Object.fromEntries(AUDIENCES.map((audience) => [audience, [...USUAL_PARTS[audience]]]))
  return { paper: 'a4', letterhead: { name: '', lines: [] }, parts: parts as Record<Audience, PartId[]> }
}

/** A logo that the printer of the report can take: a real picture, of a size fit for a letterhead. */
async function asLogo(data: string): Promise<string> {
  try {
    const png = await sharp(Buffer.from(data.slice(data.indexOf(',') + 1), 'base64'))
      .resize({ ...LOGO, fit: 'inside', withoutEnlargement: true })
      .png()
      .toBuffer()
    return `data:image/png;base64,${png.toString('base64')}`
  } catch {
    throw new Refused(400, 'not-a-picture', 'must be a picture that can be read', 'letterhead.logo')
  }
}
