import { randomBytes } from 'node:crypto'

/** A UUID version 7, as every client makes them. */
export function uuid() {
  const bytes = randomBytes(16)
  const now = Date.now()
  for (let i = 0; i < 6; i++) bytes[i] = Math.floor(now / 2 ** (8 * (5 - i))) % 256
  bytes[6] = 0x70 | (bytes[6] & 0x0f)
  bytes[8] = 0x80 | (bytes[8] & 0x3f)
  const hex = bytes.toString('hex')
  return [hex.slice(0, 8), hex.slice(8, 12), hex.slice(12, 16), hex.slice(16, 20), hex.slice(20)].join('-')
}

/** Writes a large job through the API: 600 checks, a wall of 60 things, an array of 2 000 modules with its boxes. Answers with its id. */
export async function largeJob(request) {
  const sheets = await (await request.get('/api/sheets')).json()
  const pin = (id) => {
    const { maker, model, revision, fingerprint } = sheets.find((sheet) => sheet.id === id)
    return { id, maker, model, revision, fingerprint }
  }
  const id = uuid()
  const entry = (kind, body) => ({ id: uuid(), kind, at: new Date().toISOString(), body })
  const send = async (entries) => {
    for (let i = 0; i < entries.length; i += 100) {
      const answer = await request.post(`/api/jobs/${id}/entries`, {
        headers: { 'x-plumb-mark': '1' },
        data: { entries: entries.slice(i, i + 100) },
      })
      if (!answer.ok()) throw new Error(await answer.text())
    }
  }
  const wanted = ['aldervane-ah-8t-c', 'aldervane-dx-4-a', 'wendlemere-wm-430-b', 'sorrelight-me-1-b']
  await send([
    entry('job-opened', {
      number: `B-${id.slice(-6)}`,
      title: 'Large hall',
      site: 'Somewhere large',
      customer: 'Nobody',
      school: 'iec',
      units: 'metric',
      rule: 'guarded',
      sheets: wanted.map(pin),
    }),
    entry('wall-measured', {
      id: 'wall',
      title: 'Long wall',
      width: 30000,
      height: 4000,
      leftCorner: true,
      rightCorner: true,
      uncertainty: 2,
      tape: 'Tape',
    }),
    entry('unit-fitted', { id: 'modules', label: 'Modules', sheetId: wanted[2] }),
    entry('unit-fitted', { id: 'boxes', label: 'Boxes', sheetId: wanted[3] }),
    entry('unit-fitted', { id: 'inv', label: 'Inverter', sheetId: wanted[0] }),
    ...Array.from({ length: 60 }, (_, i) =>
      entry('unit-fitted', {
        id: `iso-${i}`,
        label: `${i + 1}`,
        sheetId: wanted[1],
        place: { wallId: 'wall', x: 400 + (i % 30) * 950, y: i < 30 ? 800 : 2000, w: 180, h: 230 },
      }),
    ),
  ])
  return {
    id,
    addArray: () =>
      send([
        entry('plane-built', {
          id: 'hall',
          label: 'Hall roof',
          unitId: 'modules',
          rows: 40,
          columns: 50,
          orientation: 'portrait',
          gap: 20,
          empty: [],
        }),
      ]),
  }
}
