import { readFileSync } from 'node:fs'
import { jest } from '@jest/globals'
import { ChakraProvider } from '@chakra-ui/react'
import { QueryClientProvider } from '@tanstack/react-query'
import { render, type RenderResult } from '@testing-library/react'
import type { ReactNode } from 'react'
import { MemoryRouter, Route, Routes } from 'react-router'
import { readSheetText } from '@plumb-mark/contract'
import {
  ENTERED,
  fold,
  inspect,
  sheetId,
  type Entry,
  type Instrument,
  type Change,
  type JobHeader,
  type PinnedSheet,
  type Role,
  type Sheet,
} from '@plumb-mark/core'
import { Personal } from '../app/personal.js'
import { useSession } from '../data/session.js'
import { useFocus } from '../job/focus.js'
import { useUndoHistory } from '../job/undo-history.js'
import { system } from '../ui/theme/system.js'
import { queryClient } from '../data/query-client.js'
import { device } from '../offline/device-database.js'
import { useInspection } from '../job/inspection.js'
import { useSetAside } from '../offline/set-aside.js'

export type { Change }

const HEADER: JobHeader = {
  number: 'T-1',
  title: 'Shed',
  site: 'Mill Lane',
  customer: 'Nobody',
  school: 'iec',
  units: 'metric',
  rule: 'guarded',
  scope: { outside: [...ENTERED], reason: 'one box on a wall' },
  sheets: [],
}
const TOOLS: Instrument[] = [
  {
    id: 'tape',
    name: 'Tape T1',
    kind: 'tape',
    serial: '1',
    calibratedUntil: '2099-01-01',
    accuracy: [{ dimension: 'length', percent: 0, plus: 1 }],
  },
  {
    id: 'meter',
    name: 'Meter M1',
    kind: 'multimeter',
    serial: '2',
    calibratedUntil: '2099-01-01',
    accuracy: [{ dimension: 'voltage', percent: 0.5, plus: 0.1 }],
  },
  {
    id: 'old',
    name: 'Meter M0',
    kind: 'multimeter',
    serial: '3',
    calibratedUntil: '2020-01-01',
    accuracy: [{ dimension: 'voltage', percent: 0.5, plus: 0.1 }],
  },
]
let before = 0

export const sampleText = (name: string): string => readFileSync(`samples/sheets/${name}.yaml`, 'utf8')

/** A sheet of the samples by the name of its file. */
export function sampleSheet(name: string): Sheet {
  const read = readSheetText(sampleText(name))
  if (!read.ok) throw new Error(read.faults[0]!.message)
  return read.sheet
}

/** Opens a job as it would come from the server; what is appended is acknowledged at once. */
export function openJob(
  changes: readonly Change[],
  {
    sheets = [],
    role = 'inspector',
    header = {},
  }: { sheets?: readonly Sheet[]; role?: Role; header?: Partial<JobHeader> } = {},
): void {
  const pinned = sheets.map((sheet): PinnedSheet => ({
    id: sheetId(sheet),
    maker: sheet.maker,
    model: sheet.model,
    revision: sheet.revision,
    fingerprint: 'f',
  }))
  const all: Change[] = [{ kind: 'job-opened', body: { ...HEADER, sheets: pinned, ...header } }, ...changes]
  const by = { id: 'p', name: 'Somebody', role }
  const entries = all.map(
    ({ kind, body }, i) =>
      ({
        id: `e${i}`,
        jobId: 'j',
        kind,
        body,
        at: new Date(Date.UTC(2026, 5, 1, 8, i)).toISOString(),
        by,
        seq: i + 1,
        prev: '',
        hash: String(i).padStart(64, '0'),
      }) as Entry,
  )
  const library = new Map(sheets.map((sheet) => [sheetId(sheet), sheet]))
  before = entries.length
  serverSays({})
  localStorage.clear()
  for (const table of device.tables) void table.clear()
  useSetAside.setState({ list: [] })
  useSession.setState({ person: by })
  useUndoHistory.setState({ done: [], undone: [] })
  useFocus.setState({ checkId: undefined, itemId: undefined })
  const judged = inspect(fold(entries), library)
  useInspection.setState({
    jobId: 'j',
    entries,
    sheets: library,
    instruments: TOOLS,
    inspection: judged,
    committed: judged,
    draft: undefined,
    sync: 'kept',
    refusal: undefined,
    problem: undefined,
  })
}

/** Under which the server of these tests keeps everything. */
export const KEPT_HASH = 'f'.repeat(64)

/** What the server was asked, in order: method, address and body. */
export const asked: { method: string; address: string; body: unknown }[] = []

/** A server that has these answers by method and address, and keeps whatever entries it is sent; a refusal is a \`Response\` of its own. */
export function serverSays(answers: Readonly<Record<string, unknown>>): void {
  asked.length = 0
  globalThis.fetch = jest.fn(async (address: string, request: { method?: string; body?: unknown } = {}) => {
    const method = request.method ?? 'GET'
    asked.push({
      method,
      address,
      body: typeof request.body === 'string' ? JSON.parse(request.body) : request.body,
    })
    // What a list is narrowed by matters to the tests that ask for it.
    const known = { 'GET /api/clauses': [], ...answers } as typeof answers
    const answer = known[`${method} ${address}`] ?? known[`${method} ${address.split('?')[0]}`]
    if (answer instanceof Response) return answer.clone()
    return answer === undefined ? acknowledge(address, request) : json(answer)
  }) as unknown as typeof fetch
}

const json = (data: unknown, status = 200) =>
  new Response(JSON.stringify(data), { status, headers: { 'content-type': 'application/json' } })
export const refusal = (status: number, code: string, message: string) =>
  json({ error: { code, message } }, status)

/** The server keeps whatever it is sent, in the job that it is sent to. */
async function acknowledge(address: unknown, request?: { body?: unknown }): Promise<Response> {
  const sent = request?.body ? (JSON.parse(request.body as string) as { entries?: object[] }) : {}
  return json({
    entries:
      sent.entries?.map((entry) => ({
        ...entry,
        jobId: /^\/api\/jobs\/([^/]+)\//.exec(String(address))?.[1] ?? 'j',
        by: useSession.getState().person,
        seq: 1,
        prev: '',
        hash: KEPT_HASH,
      })) ?? [],
  })
}

/** What was appended since the job was opened. */
export function appended(): { kind: string; body: object }[] {
  return useInspection
    .getState()
    .entries.slice(before)
    .map(({ kind, body }) => ({ kind, body }))
}

/** A view as it stands in the application: in its look, at its address. */
export function onScreen(
  view: ReactNode,
  { path = '/', at = '/' }: { path?: string; at?: string } = {},
): RenderResult {
  return render(
    <ChakraProvider value={system}>
      <QueryClientProvider client={queryClient()}>
        <Personal>
          <MemoryRouter initialEntries={[at]}>
            <Routes>
              <Route path={path} element={view} />
              <Route path="*" element={<p>elsewhere</p>} />
            </Routes>
          </MemoryRouter>
        </Personal>
      </QueryClientProvider>
    </ChakraProvider>,
  )
}
