import sharp from 'sharp'
import type { Content } from 'pdfmake/interfaces.js'
import { DEFECT_STEP_WORDS, type Defect, type Inspection, type PhotoRef } from '@plumb-mark/core'
import { FAINT, DANGER, when } from './look.js'

/** Finds the file of a photo's small copy. */
export type PhotoFile = (photoId: string) => Promise<string>

/** Every defect with its history, and the photos that belong to it. */
export async function defectPages({ defects }: Inspection, photoFile: PhotoFile): Promise<Content> {
  if (defects.length === 0) return ''
  return [
    { text: 'Defects', style: 'part' },
    ...(await Promise.all(defects.map((defect) => one(defect, photoFile)))),
  ]
}

async function one(defect: Defect, photoFile: PhotoFile): Promise<Content> {
  const { raised, steps } = defect
  const photos = [...(raised.body.photos ?? []), ...steps.flatMap(({ body }) => body.photos ?? [])]
  const lines = [
    `${when(raised.at)}  raised by ${raised.by.name}: ${defect.finding}`,
    ...steps.map(
      ({ at, by, body }) => `${when(at)}  ${DEFECT_STEP_WORDS[body.step]} by ${by.name}: ${body.note}`,
    ),
    ...(defect.state === 'closed'
      ? ['a later reading conforms: closed']
      : defect.failedAgain
        ? ['read again after the rework, and failed again']
        : []),
  ]
  return {
    unbreakable: true,
    margin: [0, 0, 0, 12],
    stack: [
      {
        columns: [
          { text: `${defect.title}, ${defect.place}`, bold: true },
          {
            text: `${defect.severity}, ${defect.state}`,
            alignment: 'right',
            width: 120,
            color: defect.state === 'closed' || defect.state === 'withdrawn' ? FAINT : DANGER,
          },
        ],
      },
      { text: `Remedy: ${defect.remedy}` },
      { ul: lines, style: 'small', margin: [0, 3, 0, 3] },
      ...(photos.length > 0
        ? [
            {
              columns: await Promise.all(photos.slice(0, 4).map((photo) => picture(photo, photoFile))),
              columnGap: 8,
            },
          ]
        : []),
    ],
  }
}

async function picture({ id, caption }: PhotoRef, photoFile: PhotoFile): Promise<Content> {
  const png = await photoFile(id)
    .then((file) => sharp(file).png().toBuffer())
    .catch(() => undefined)
  const shown: Content = png
    ? { image: `data:image/png;base64,${png.toString('base64')}`, fit: [118, 90] }
    : { text: 'the file of this photo cannot be read', style: 'small' }
  return { stack: [shown, { text: caption ?? '', style: 'small' }] }
}
