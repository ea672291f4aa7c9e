import sharp from 'sharp'

/** A drawn signature of an invented person, as the pad would give it. */
export async function sampleSignature(): Promise<string> {
  const svg =
    '<svg xmlns="http://www.w3.org/2000/svg" width="420" height="140"><path d="M30 100 C60 20 80 20 78 90 C77 130 110 60 120 70 C132 82 120 110 140 96 C170 74 168 60 190 84 C204 100 220 66 240 78 C262 92 300 60 390 64" fill="none" stroke="#22211d" stroke-width="4" stroke-linecap="round"/></svg>'
  return `data:image/png;base64,${(await sharp(Buffer.from(svg)).png().toBuffer()).toString('base64')}`
}
