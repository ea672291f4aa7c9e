import { Injectable } from '@nestjs/common'
import sharp from 'sharp'
import type { ReportLook } from '@plumb-mark/contract'
import { AUDIENCES, USUAL_PARTS, type Audience, type PartId } from '@plumb-mark/report'
import { Refused } from '../http/refused.js'
import { FiguresService } from '../figures/figures.service.js'

const NAME = 'report-look'
/** As large as a letterhead needs it in print. */
const LOGO = { width: 480, height: 240 }

/** How the office wants its reports; until it says so, as is usual. */
@Injectable()
export class ReportLookService {
  constructor(private readonly figures: FiguresService) {}

  async read(): Promise<ReportLook> {
    return (await this.figures.read<ReportLook>(NAME)) ?? usual()
  }

  async keep(look: ReportLook): Promise<ReportLook> {
    const { logo, ...letterhead } = look.letterhead
    const kept = { ...look, letterhead: { ...letterhead, ...(logo && { logo: await asLogo(logo) }) } }
    await this.figures.keep(NAME, kept)
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
