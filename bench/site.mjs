let made = 0

/** UUID v7 as a device makes them: those of one millisecond follow one another. */
export function uuid() {
  const time = Date.now().toString(16).padStart(12, '0')
  const count = (made++ % 0xfff).toString(16).padStart(3, '0')
  const rest = Array.from({ length: 12 }, () => Math.floor(Math.random() * 16).toString(16)).join('')
  return `${time.slice(0, 8)}-${time.slice(8)}-7${count}-8000-${rest}`
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
