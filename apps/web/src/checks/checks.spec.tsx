/** @jest-environment ./apps/web/src/testing/browser.environment.mjs */
import { act, screen, waitFor, within } from '@testing-library/react'
import userEvent from '@testing-library/user-event'
import { readSheet, sayEvidence, type Sheet } from '@plumb-mark/core'
import { useSession } from '../data/session.js'
import { useInputDefaults } from '../data/input-defaults.js'
import { useInspection } from '../job/inspection.js'
import { appended, onScreen, openJob, type Change } from '../testing/job-on-screen.testing.js'
import { pictureOf } from '../testing/picture.testing.js'
import { useFocus } from '../job/focus.js'
import { useUndoHistory } from '../job/undo-history.js'
import { CheckList } from './check-list.js'

const user = userEvent.setup()
const common = { stage: 'dc', clause: '1', severity: 'major', remedy: 'Take a module out.' }

function sheetOf(...requirements: object[]): Sheet {
  return readSheet({
    format: 'plumb-mark-sheet',
    version: 1,
    maker: 'Nobody',
    model: 'U',
    kind: 'string-inverter',
    title: 'U',
    revision: '1',
    date: '2026-01-01',
    source: 'none',
    requirements: requirements.map((one) => ({ ...common, ...one })),
  })
}
const UNIT: Change = { kind: 'unit-fitted', body: { id: 'u', label: 'Unit', sheetId: 'nobody-u-1' } }
const STRING: Change = {
  kind: 'string-built',
  body: {
    id: 's',
    label: 'String A',
    unitId: 'u',
    input: 'PV1',
    count: 10,
    module: { name: 'M', voc: 40, vocTempCoeff: -0.3, cellsInSeries: 60, bypassDiodes: 3 },
  },
}
const MAINS = {
  id: 'mains',
  kind: 'limits',
  title: 'Mains',
  dimension: 'voltage',
  min: '207 V',
  max: '253 V',
}
const ASKED = { id: 'seen', kind: 'observation', title: 'Tight', question: 'Is it tight?' }

function show(
  requirements: object[],
  changes: readonly Change[] = [],
  role: 'inspector' | 'reviewer' = 'inspector',
) {
  openJob([UNIT, ...changes], { sheets: [sheetOf(...requirements)], role })
  useInputDefaults.setState({ instruments: {}, conditions: {}, lastTyped: {} })
  useFocus.getState().openGroup(undefined)
  onScreen(<CheckList stage="dc" />)
}
const openCheck = (title: string) => user.click(screen.getByRole('button', { name: new RegExp(title) }))
const cell = (name: string) => screen.getByRole('textbox', { name })
const field = () => screen.getByLabelText(/^Reading/)

describe('a reading', () => {
  it('is judged at every keystroke, kept with Enter, and the next check opens', async () => {
    show([MAINS, ASKED])
    await openCheck('Mains')
    await user.selectOptions(
      screen.getByLabelText('Instrument'),
      screen.getByRole('option', { name: /Meter M1/ }),
    )
    await user.type(field(), '231')
    expect(within(screen.getByRole('region', { name: 'Mains' })).getByText('conforms')).toBeInTheDocument()
    await user.type(field(), '{Enter}')
    expect(appended()).toMatchObject([
      {
        kind: 'reading',
        body: { point: 'u/mains/unit', typed: '231', value: 231, unit: 'V', instrument: { id: 'meter' } },
      },
    ])
    expect(useFocus.getState().checkId).toBe('u/seen/unit')
  })
  it('outside its limits shows the remedy while it is typed, and offers the defect once it is kept', async () => {
    show([MAINS])
    await openCheck('Mains')
    await user.selectOptions(
      screen.getByLabelText('Instrument'),
      screen.getByRole('option', { name: /Meter M1/ }),
    )
    await user.type(field(), '0.3 kV')
    expect(screen.getByText('Take a module out.')).toBeInTheDocument()
    await user.click(screen.getByRole('button', { name: 'Save' }))
    await user.click(await screen.findByRole('button', { name: 'Raise the defect' }))
    expect(appended().map(({ kind }) => kind)).toEqual(['reading', 'defect-raised'])
    expect(appended()[1]).toMatchObject({
      body: { severity: 'major', remedy: 'Take a module out.', checkId: 'u/mains/unit' },
    })
  })
  it('that does not read cannot be kept, and says why', async () => {
    show([MAINS])
    await openCheck('Mains')
    await user.type(field(), '231 kg')
    expect(screen.getByRole('alert').textContent).not.toBe('')
    expect(screen.getByRole('button', { name: 'Save' })).toHaveProperty('disabled', true)
  })
  it('without an instrument proves nothing; one whose calibration ran out is named', async () => {
    show([MAINS])
    await openCheck('Mains')
    await user.type(field(), '231')
    expect(within(screen.getByRole('region', { name: 'Mains' })).getByText('not proven')).toBeInTheDocument()
    await user.selectOptions(
      screen.getByLabelText('Instrument'),
      screen.getByRole('option', { name: /Meter M0/ }),
    )
    expect(screen.getByText('Its calibration ended 2020-01-01')).toBeInTheDocument()
  })
  it('of a string takes temperature and irradiance with it, and the next string begins with the same', async () => {
    show(
      [{ id: 'voc', kind: 'string-open-circuit', title: 'Open circuit', max: '600 V' }],
      [STRING, { ...STRING, body: { ...STRING.body, id: 't', label: 'String B' } } as Change],
    )
    await openCheck('Open circuit')
    await user.click(screen.getByRole('button', { name: /In hand/ }))
    await user.selectOptions(
      screen.getByLabelText('For voltage'),
      screen.getByRole('option', { name: /Meter M1/ }),
    )
    await user.type(screen.getByLabelText('Cell temperature'), '25 °C')
    await user.type(screen.getByLabelText('Irradiance'), '1000')
    await user.type(cell('String A, Open circuit'), '400{Enter}')
    expect(appended()[0]).toMatchObject({
      body: {
        value: 400,
        conditions: { cellTemperature: 25, irradiance: 1000 },
        instrument: { id: 'meter' },
      },
    })
    expect(cell('String B, Open circuit')).toHaveFocus()
  })
  it('struck out stays to be read, and the check asks again', async () => {
    show([MAINS])
    await openCheck('Mains')
    await user.type(field(), '231{Enter}')
    await user.click(screen.getByRole('button', { name: 'Strike out' }))
    await user.click(screen.getByRole('button', { name: 'mistyped' }))
    expect(appended().at(-1)).toMatchObject({ kind: 'evidence-struck', body: { reason: 'mistyped' } })
    expect(within(screen.getByRole('list', { name: 'Readings so far' })).getByText(/231/)).toBeInTheDocument()
    expect(useInspection.getState().inspection!.checks[0]!.outcome.verdict).toBe('not-inspected')
  })
})

const STRING_B = { ...STRING, body: { ...STRING.body, id: 't', label: 'String B' } } as Change
const VOC = { id: 'voc', kind: 'string-open-circuit', title: 'Open circuit', max: '600 V' }
const INSULATION = { id: 'iso', kind: 'insulation', title: 'Insulation' }

describe('readings of equal things', () => {
  const table = () => {
    show([VOC, INSULATION], [STRING, STRING_B])
    return openCheck('Open circuit, Insulation')
  }
  it('are one table, in which = reads as above and a figure that is left is not kept yet', async () => {
    await table()
    await user.type(cell('String A, Open circuit'), '400{Enter}')
    await user.type(cell('String B, Open circuit'), '=')
    expect(appended().map(({ body }) => (body as { point: string; typed: string }).typed)).toEqual([
      '400',
      '400',
    ])
    await user.type(cell('String A, Insulation'), '20')
    await user.click(screen.getByText(/Enter keeps and goes down/))
    expect(appended()).toHaveLength(2)
    await user.click(screen.getByRole('button', { name: 'Save this reading' }))
    expect(appended()).toHaveLength(3)
  })
  it('are pasted as a block, whole or not at all', async () => {
    await table()
    await user.click(cell('String A, Open circuit'))
    await user.paste('401\t20\n402\t30 kg')
    expect(screen.getByRole('alert')).toHaveTextContent(/String B/)
    expect(appended()).toEqual([])
    await user.clear(cell('String B, Insulation'))
    await user.click(cell('String A, Open circuit'))
    await user.paste('401\t20\n402\t30')
    expect(appended()).toHaveLength(4)
    await user.click(cell('String B, Open circuit'))
    await user.paste('401\t20\n402\t30')
    expect(screen.getByRole('alert')).toHaveTextContent('2 rows were pasted, and 1 are left')
    expect(appended()).toHaveLength(4)
  })
})

describe('the cell at hand', () => {
  const voltages = async () => {
    show([VOC], [STRING, STRING_B])
    useInputDefaults.setState({ instruments: { voltage: 'meter' } })
    await openCheck('Open circuit · 2 readings')
  }
  it('raises its defect where the figure stands, and the focus comes back to it', async () => {
    await voltages()
    expect(cell('String A, Open circuit')).toHaveFocus()
    await user.type(cell('String A, Open circuit'), '700{Enter}')
    expect(cell('String B, Open circuit')).toHaveFocus()
    await user.click(cell('String A, Open circuit'))
    await user.click(screen.getByRole('button', { name: 'Raise the defect …' }))
    await user.click(await screen.findByRole('button', { name: 'Raise the defect' }))
    expect(appended().at(-1)).toMatchObject({ kind: 'defect-raised', body: { checkId: 'u/voc/s' } })
    expect(cell('String A, Open circuit')).toHaveFocus()
    expect(screen.getByText('Defect raised (major, open).')).toBeInTheDocument()
  })
  it('is filled down into what nobody has read, and kept only when somebody says so', async () => {
    await voltages()
    await user.type(cell('String A, Open circuit'), '401')
    await user.click(screen.getByRole('button', { name: 'Fill down' }))
    expect(cell('String B, Open circuit')).toHaveValue('401')
    expect(appended()).toEqual([])
    await user.click(screen.getByRole('button', { name: 'Save 2 readings' }))
    expect(appended()).toHaveLength(2)
    await user.click(cell('String A, Open circuit'))
    expect(screen.queryByRole('button', { name: 'Fill down' })).toBeNull()
  })
  it('is said with its unit; in the table the head says it', async () => {
    await voltages()
    await user.type(cell('String A, Open circuit'), '401.25 V{Enter}')
    expect(cell('String A, Open circuit')).toHaveValue('401.25')
    await user.click(cell('String A, Open circuit'))
    expect(screen.getByText('401.25 V')).toBeInTheDocument()
  })
  it('is where one comes back to from an opened reading', async () => {
    await voltages()
    await user.click(screen.getByRole('button', { name: /Open String B, Open circuit/ }))
    await user.click(screen.getByRole('button', { name: 'Back to the table' }))
    expect(cell('String B, Open circuit')).toHaveFocus()
  })
})

describe('one question at many places', () => {
  const SEEN_EACH = { ...ASKED, id: 'each', title: 'Dry', each: 'string' }
  const seen = async () => {
    show([SEEN_EACH], [STRING, STRING_B])
    await openCheck('Dry · 2 places')
  }
  it('is answered for all in one act, which says so at each, and is taken back as one', async () => {
    await seen()
    await user.keyboard('a')
    expect(appended()).toMatchObject([{ kind: 'walked-over', body: { points: ['u/each/s', 'u/each/t'] } }])
    const { checks } = useInspection.getState().inspection!
    expect(checks.map(({ outcome }) => outcome.verdict)).toEqual(['conforms', 'conforms'])
    expect(sayEvidence(checks[1]!.check, checks[1]!.history[0]!)).toBe('yes, seen on a walk over all 2')
    useUndoHistory.getState().undo(useSession.getState().person!)
    expect(useInspection.getState().inspection!.checks.map(({ outcome }) => outcome.verdict)).toEqual([
      'not-inspected',
      'not-inspected',
    ])
  })
  it('is answered for all but those that differ, and no is said of each by itself', async () => {
    await seen()
    await user.keyboard('x')
    await user.click(screen.getByRole('button', { name: /String B/ }))
    await user.click(screen.getByRole('button', { name: 'Yes for 1, no for 1' }))
    expect(appended()).toMatchObject([
      { kind: 'walked-over', body: { points: ['u/each/s'] } },
      { kind: 'observation', body: { point: 'u/each/t', seen: false } },
    ])
  })
  it('is not answered for all where the sheet wants a photo of each', async () => {
    show([{ ...SEEN_EACH, photo: true }], [STRING, STRING_B])
    await openCheck('Dry · 2 places')
    expect(screen.queryByRole('button', { name: /Yes, all/ })).toBeNull()
    await user.keyboard('a')
    expect(appended()).toEqual([])
  })
})

describe('an observation', () => {
  it.each([
    ['y', true],
    ['n', false],
  ] as const)('is answered with %s', async (key, seen) => {
    show([ASKED])
    await openCheck('Tight')
    await user.keyboard(key)
    expect(appended()).toMatchObject([{ kind: 'observation', body: { seen } }])
  })
  it('is not answered by an Enter out of habit, nor by a space', async () => {
    show([ASKED])
    await openCheck('Tight')
    await user.keyboard('{Enter} {Enter}')
    expect(appended()).toEqual([])
  })
  it('is taken back at once, struck out with its true reason', async () => {
    show([ASKED])
    await openCheck('Tight')
    await user.keyboard('y')
    useUndoHistory.getState().undo(useSession.getState().person!)
    const [answer, back] = useInspection.getState().entries.slice(-2)
    expect(back).toMatchObject({
      kind: 'evidence-struck',
      body: { entryId: answer!.id, reason: 'taken back at once' },
    })
    expect(useInspection.getState().inspection!.checks[0]!.outcome.verdict).toBe('not-inspected')
  })
  it('carries its note', async () => {
    show([ASKED])
    await openCheck('Tight')
    await user.type(screen.getByLabelText('Note'), 'yes, by hand')
    await user.click(screen.getByRole('button', { name: 'No' }))
    expect(appended()[0]).toMatchObject({ body: { seen: false, note: 'yes, by hand' } })
  })
})

describe('the list of a stage', () => {
  const seen: Change = { kind: 'observation', body: { point: 'u/seen/unit', seen: true } }
  it('can show only what is left', async () => {
    show([MAINS, ASKED], [seen])
    await user.click(screen.getByRole('button', { name: 'Left 1' }))
    expect(screen.queryByRole('button', { name: /Tight/ })).toBeNull()
    await user.click(screen.getByRole('button', { name: 'All 2' }))
    expect(screen.getByRole('button', { name: /Tight/ })).toBeInTheDocument()
    await user.click(screen.getByRole('button', { name: 'Wrong 0' }))
    expect(screen.getByText('Nothing is wrong in this stage.')).toBeInTheDocument()
  })
  it('is walked with the arrow keys, and closed with Escape', async () => {
    show([MAINS, ASKED])
    await user.keyboard('{ArrowDown}')
    expect(useFocus.getState().checkId).toBe('u/mains/unit')
    await user.keyboard('{ArrowDown}{ArrowDown}')
    expect(useFocus.getState().checkId).toBe('u/seen/unit')
    await user.keyboard('{Escape}')
    expect(useFocus.getState().checkId).toBeUndefined()
  })
  it('is read, not answered, by who does not inspect', async () => {
    show([MAINS], [], 'reviewer')
    await openCheck('Mains')
    expect(screen.queryByLabelText(/^Reading/)).toBeNull()
    expect(screen.getByText(/Nobody U, revision 1, clause/)).toBeInTheDocument()
  })
})

it('the key that answers is not typed into what opens next', async () => {
  show([ASKED, { ...MAINS, id: 'later' }])
  await openCheck('Tight')
  await user.keyboard('y')
  expect(useFocus.getState().checkId).toBe('u/later/unit')
  expect(field()).toHaveFocus()
  expect(field()).toHaveValue('')
})

it('a photo of what is answered already belongs to that answer at once', async () => {
  show([MAINS, ASKED])
  await openCheck('Mains')
  await user.type(field(), '231')
  await user.click(screen.getByRole('button', { name: 'Save' }))
  act(() => useFocus.getState().openCheck('u/mains/unit'))
  const [answer] = appended()
  URL.createObjectURL = () => 'blob:here'
  URL.revokeObjectURL = () => undefined
  await user.upload(
    screen.getByLabelText('Photo'),
    new File([pictureOf(400)], 'a.jpg', { type: 'image/jpeg' }),
  )
  await waitFor(() =>
    expect(appended().at(-1)).toMatchObject({
      kind: 'photos-added',
      body: { photos: [{ sha256: expect.any(String) as string }] },
    }),
  )
  expect(appended()).toHaveLength(2)
  expect(answer!.kind).toBe('reading')
})
