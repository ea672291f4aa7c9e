import type { Content } from 'pdfmake/interfaces.js'
import { blockers } from '@plumb-mark/core'
import type { Reported } from './reported.js'
import { isSignature } from '../../evidence/signature.js'
import { FAINT, DANGER, when } from './look.js'

/** The licensed signature with the fingerprint that it seals; or, plainly, what still stands in its way. */
export async function signaturePage({ inspection, broken, keyFingerprint }: Reported): Promise<Content> {
  const { seal, head } = inspection.state
  if (!seal) {
    const inTheWay = blockers(inspection)
    return {
      unbreakable: inTheWay.length < 30,
      stack: [
        { text: 'Not signed', style: 'part', color: DANGER },
        {
          text:
            inTheWay.length === 0 ? 'Nothing stands in the way of a signature.' : 'What stands in the way:',
        },
        { ul: inTheWay.map(({ text }) => text), style: 'small' },
      ],
    }
  }
  return {
    unbreakable: true,
    stack: [
      { text: 'Signature', style: 'part' },
      { text: seal.body.statement, margin: [0, 0, 0, 10] },
      (await isSignature(seal.body.drawing))
        ? { image: seal.body.drawing, fit: [220, 90] }
        : { text: 'the drawing of the signature cannot be shown', style: 'small' },
      { canvas: [{ type: 'line', x1: 0, y1: 0, x2: 240, y2: 0, lineWidth: 0.7 }] },
      { text: `${seal.by.name}, licence ${seal.body.licence}`, bold: true, margin: [0, 4, 0, 0] },
      { text: when(seal.at), color: FAINT },
      {
        text: 'This record is sealed: every entry is chained to the one before it by SHA-256, and the whole chain ends in',
        margin: [0, 12, 0, 2],
      },
      { text: head?.hash ?? '', style: 'figure' },
      { text: 'The seal is signed with the key', margin: [0, 8, 0, 2] },
      { text: keyFingerprint, style: 'figure' },
      ...(broken.length > 0
        ? [
            {
              text: `This record is BROKEN: ${broken.join('; ')}`,
              bold: true,
              color: DANGER,
              margin: [0, 8, 0, 0] as [number, number, number, number],
            },
          ]
        : []),
      {
        text: 'Anyone who has the exported record can recompute it with “plumb-mark verify --key” and this key.',
        style: 'small',
        margin: [0, 2, 0, 0],
      },
    ],
  }
}
